namespace Junctivor;

/// <summary>Thrown when an application starts whose endpoints require what they cannot have: before the server listens.</summary>
public sealed class EndpointException : JunctivorException
{
    internal EndpointException(CheckReport report)
        : base(report.ToString()) => Report = report;

    /// <summary>The report of the wiring, checked together with the endpoints; what the host cannot serve is JV110.</summary>
    public CheckReport Report { get; }
}
