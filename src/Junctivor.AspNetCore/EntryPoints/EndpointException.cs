namespace Junctivor;

/// <summary>Thrown at startup, before the server listens, if an endpoint requires a service that it cannot get.</summary>
public sealed class EndpointException : JunctivorException
{
    internal EndpointException(CheckReport report)
        : base(report.ToString()) => Report = report;

    /// <summary>The report of the wiring, checked together with the endpoints; what the host cannot serve is JV110.</summary>
    public CheckReport Report { get; }
}
