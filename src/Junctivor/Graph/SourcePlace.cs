namespace Junctivor.Graph;

/// <summary>Where in the source something was written; empty if nobody knows.</summary>
internal readonly record struct SourcePlace(string File, int Line)
{
    public bool IsKnown => !string.IsNullOrEmpty(File);
}
