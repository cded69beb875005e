namespace Junctivor;

/// <summary>
/// Thrown where something that is asked of a container or scope cannot be had: a service that nobody registers, one that needs a
/// scope, a value that was not handed over, a level that cannot start here. It says the same as the check would, with the same
/// codes and fixes. What a constructor or factory throws comes as <see cref="ConstructionException"/> instead.
/// </summary>
public sealed class ResolveException : InvalidOperationException
{
    private readonly List<Exception> _endingFailures = [];

    internal ResolveException(params IEnumerable<Fault> faults)
        : this(new CheckReport([.. faults], []))
    {
    }

    private ResolveException(CheckReport report)
        : base(report.All.Count == 1 ? report.All[0].ToString() : report.ToString()) => Report = report;

    /// <summary>What is wrong, as in a report, and what was thrown besides.</summary>
    public override string Message => base.Message + Runtime.DisposalFailures.Lines(_endingFailures);

    /// <summary>What is wrong; the first, where there are several.</summary>
    public Fault Fault => Report.All[0];

    /// <summary>Everything that is wrong with what was asked for.</summary>
    public CheckReport Report { get; }

    /// <summary>What was thrown when that was disposed of which had been created for what was asked for; mostly empty.</summary>
    public IReadOnlyList<Exception> DisposalFailures => _endingFailures;

    internal void AlsoFailed(IEnumerable<Exception> failures) => _endingFailures.AddRange(failures);
}
