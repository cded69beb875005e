namespace Junctivor.Checks;

/// <summary>
/// Something that the check found in a wiring: an error, a warning or a note. Immutable, and so safe for use by several threads.
/// </summary>
public sealed record Fault
{
    private readonly Severity? _severity;

    internal Fault(FaultKind kind) => Kind = kind;

    /// <summary>The kind of fault.</summary>
    public FaultKind Kind { get; }

    /// <summary>The code of its kind, such as <c>JV101</c>.</summary>
    public string Code => Kind.Code;

    /// <summary>The name of its kind, such as <c>missing</c>.</summary>
    public string Name => Kind.Name;

    /// <summary>Its severity: that of its kind, unless <see cref="BuildOptions.Severities"/> or
    /// <see cref="BuildOptions.WarningsAreErrors"/> change it.</summary>
    public Severity Severity
    {
        get => _severity ?? Kind.Severity;
        internal init => _severity = value;
    }

    /// <summary>What is wrong, on one line, without the code.</summary>
    public string Summary { get; internal init; } = "";

    /// <summary>The services involved, by which parameter each is required, and where each was registered. The first step is the place to
    /// look at.</summary>
    public IReadOnlyList<FaultStep> Path { get; internal init; } = [];

    /// <summary>The consequences, and registrations that may be meant: whole sentences.</summary>
    public IReadOnlyList<string> Remarks { get; internal init; } = [];

    /// <summary>The ways to fix it, the best first.</summary>
    public IReadOnlyList<Fix> Fixes { get; internal init; } = [];

    /// <summary>The names of the services involved, such as the two that provide one service; may be empty.</summary>
    public IReadOnlyList<string> Candidates { get; internal init; } = [];

    /// <summary>Why a registration accepts it; null if none does.</summary>
    public string? AcceptedBecause { get; internal init; }

    /// <summary>Whether another fault is the same.</summary>
    /// <param name="other">The other fault.</param>
    /// <returns>True if the kinds, severities, summaries, paths, remarks, fixes, candidates and acceptances are equal.</returns>
    public bool Equals(Fault? other) => ReferenceEquals(this, other)
        || (other is not null
            && (Kind, Severity, Summary, AcceptedBecause) == (other.Kind, other.Severity, other.Summary, other.AcceptedBecause)
            && Path.SequenceEqual(other.Path)
            && Remarks.SequenceEqual(other.Remarks)
            && Fixes.SequenceEqual(other.Fixes)
            && Candidates.SequenceEqual(other.Candidates));

    /// <inheritdoc/>
    public override int GetHashCode() => (Code, Summary).GetHashCode();

    /// <summary>The fault as text: several lines, without a line break at the end.</summary>
    /// <returns>The code, the name and the summary; then the path, the remarks, the fixes, and where it is explained.</returns>
    public override string ToString() => FaultText.Write(this);

    /// <summary>The words that it is about; null for the first registration of its path.</summary>
    internal FaultSubject? Subject { get; init; }

    /// <summary>The number of the registration that it belongs to, for reports in the order of the wiring.</summary>
    internal int Order { get; init; }
}
