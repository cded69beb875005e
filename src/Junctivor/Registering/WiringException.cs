namespace Junctivor;

/// <summary>
/// Thrown by <c>Build</c> and <see cref="Container.Branch"/> if the wiring has faults. The report has all findings; the message is the
/// report as text.
/// </summary>
public sealed class WiringException : JunctivorException
{
    internal WiringException(CheckReport report)
        : base(report.ToString()) => Report = report;

    /// <summary>All findings.</summary>
    public CheckReport Report { get; }
}
