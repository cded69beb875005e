namespace Junctivor;

/// <summary>How strictly a wiring is checked. Immutable.</summary>
public sealed record BuildOptions
{
    /// <summary>Whether warnings stop a build as faults do. Without it, they do not.</summary>
    public bool WarningsAreFaults { get; init; }
}
