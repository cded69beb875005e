namespace Junctivor;

/// <summary>Thrown when an application starts whose endpoints require what they cannot have: before the server listens.</summary>
public sealed class EndpointException : JunctivorException
{
    internal EndpointException(IReadOnlyList<string> problems, CheckReport report)
        : base(string.Join("\n\n", problems.Concat(report.IsSound ? [] : [report.ToString()])))
    {
        Problems = problems;
        Report = report;
    }

    /// <summary>What is wrong with the endpoints, and is no fault of the wiring, as sentences; often empty.</summary>
    public IReadOnlyList<string> Problems { get; }

    /// <summary>The report of the wiring, checked together with the endpoints.</summary>
    public CheckReport Report { get; }
}
