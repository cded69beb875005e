namespace Junctivor;

/// <summary>
/// Thrown by <c>Build</c> and <see cref="Container.Branch"/> where a wiring has faults: all that were found are in the report, and
/// its message is the report as text.
/// </summary>
public sealed class WiringException : InvalidOperationException
{
    internal WiringException(CheckReport report)
        : base(report.ToString()) => Report = report;

    /// <summary>Everything that was found.</summary>
    public CheckReport Report { get; }
}
