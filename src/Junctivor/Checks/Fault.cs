using Junctivor.Checks;
namespace Junctivor;

/// <summary>
/// One thing that is wrong with a wiring, or worth knowing about it. Immutable, and so safe for use by several threads.
/// </summary>
public sealed record Fault
{
    private readonly Severity? _severity;

    /// <summary>What class of mistake it is.</summary>
    public required FaultKind Kind { get; init; }

    /// <summary>The code of its kind, such as <c>JV101</c>.</summary>
    public string Code => Kind.Code;

    /// <summary>The name of its kind, such as <c>missing</c>.</summary>
    public string Name => Kind.Name;

    /// <summary>How much weight it has; unless told otherwise, that of its kind.</summary>
    public Severity Severity
    {
        get => _severity ?? Kind.Severity;
        init => _severity = value;
    }

    /// <summary>What is wrong, in one line, without the code.</summary>
    public required string Summary { get; init; }

    /// <summary>Who asks for what, by which parameter, and where each was registered; the first step is where to look.</summary>
    public IReadOnlyList<FaultStep> Path { get; init; } = [];

    /// <summary>What would come of it, and what is close to what was meant: whole sentences.</summary>
    public IReadOnlyList<string> Remarks { get; init; } = [];

    /// <summary>What to write instead, the best first.</summary>
    public IReadOnlyList<Fix> Fixes { get; init; } = [];

    /// <summary>The names of those between which the fault lies, such as the two that serve one service; often empty.</summary>
    public IReadOnlyList<string> Candidates { get; init; } = [];

    /// <summary>Why the registration accepts it; null where nobody does.</summary>
    public string? AcceptedBecause { get; init; }

    /// <summary>The fault as text: several lines, without a line break at the end.</summary>
    /// <returns>The code, the name and the summary; then the path, the remarks, the fixes, and where more is written.</returns>
    public override string ToString() => FaultText.Write(this);

    /// <summary>Which registration it stands at, for a report in the order written.</summary>
    internal int Order { get; init; }
}
