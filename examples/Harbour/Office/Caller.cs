namespace Harbour.Office;

/// <summary>Who is asking: known only when the request comes, and so supplied to its scope.</summary>
public sealed record Caller(string Name)
{
    public static readonly Caller Unknown = new("somebody on the quay");
}
