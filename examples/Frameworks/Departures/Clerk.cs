namespace Frameworks.Departures;

/// <summary>Who is asking: known with the request, and so declared in the wiring, and supplied with the scope.</summary>
public sealed record Clerk(string Name)
{
    public static Clerk Of(HttpContext? context) => new(context?.Request.Headers["Clerk"].FirstOrDefault() ?? "nobody");
}
