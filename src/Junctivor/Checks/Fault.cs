namespace Junctivor.Checks;

/// <summary>
/// One thing that is wrong with a wiring, or worth knowing about it. Immutable, and so safe for use by several threads.
/// </summary>
public sealed record Fault
{
    /// <summary>The code of the rule, such as <c>JV101</c>; <c>docs/faults.md</c> has a section for each.</summary>
    public required string Code { get; init; }

    /// <summary>The name of the rule, such as <c>missing</c>.</summary>
    public required string Name { get; init; }

    /// <summary>How much weight it has.</summary>
    public Severity Severity { get; init; } = Severity.Fault;

    /// <summary>What is wrong, in one line, without the code.</summary>
    public required string Summary { get; init; }

    /// <summary>Who asks for what, by which parameter, and where each was registered; the first step is where to look.</summary>
    public IReadOnlyList<FaultStep> Path { get; init; } = [];

    /// <summary>What would come of it, and what is close to what was meant: whole sentences.</summary>
    public IReadOnlyList<string> Remarks { get; init; } = [];

    /// <summary>What to write instead, the best first.</summary>
    public IReadOnlyList<string> Cures { get; init; } = [];

    /// <summary>The names of those between which the fault lies, such as the two that serve one service; often empty.</summary>
    public IReadOnlyList<string> Candidates { get; init; } = [];

    /// <summary>The fault as text: several lines, without a line break at the end.</summary>
    /// <returns>The code, the name and the summary; then the path, the remarks and the cures.</returns>
    public override string ToString() => FaultText.Write(this);

    /// <summary>Which registration it stands at, for a report in the order written.</summary>
    internal int Order { get; init; }
}
