namespace Junctivor;

/// <summary>
/// Thrown when a request to a container or scope cannot be fulfilled: a service that is not registered, one that needs a scope, a value
/// that was not supplied, a level that cannot be started here. It has the codes and fixes of the check. An exception of a constructor or
/// factory is thrown as <see cref="ConstructionException"/> instead.
/// </summary>
public sealed class ResolveException : JunctivorException
{
    private readonly List<Exception> _endingFailures = [];

    internal ResolveException(params IEnumerable<Fault> faults)
        : this(new CheckReport([.. faults], []))
    {
    }

    private ResolveException(CheckReport report)
        : base(report.All.Count == 1 ? report.All[0].ToString() : report.ToString()) => Report = report;

    /// <summary>The faults as in a report, and the failures of disposal.</summary>
    public override string Message => base.Message + Runtime.DisposalFailures.Lines(_endingFailures);

    /// <summary>The fault; the first of several.</summary>
    public Fault Fault => Report.All[0];

    /// <summary>All faults of the request.</summary>
    public CheckReport Report { get; }

    /// <summary>The exceptions of disposing of what had been created for the request; usually empty.</summary>
    public IReadOnlyList<Exception> DisposalFailures => _endingFailures;

    internal void AlsoFailed(IEnumerable<Exception> failures) => _endingFailures.AddRange(failures);
}
