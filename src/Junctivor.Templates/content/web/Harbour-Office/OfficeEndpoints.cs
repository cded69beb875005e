namespace Harbour_Office;

/// <summary>The endpoints. The wiring says which parameters are services.</summary>
public static class OfficeEndpoints
{
    public static void MapOffice(this IEndpointRouteBuilder routes)
    {
        routes.MapGet("/", () => "Ask for /berths/Heron.");
        routes.MapGet("/berths/{vessel}", (BerthPlanner planner, string vessel) => planner.Plan(vessel));
    }
}
