namespace Junctivor;

/// <summary>
/// Thrown by <c>Build</c> and <see cref="Container.Branch"/> if the wiring has errors. The report has all faults, including warnings and
/// notes. The message is the report as text.
/// </summary>
public sealed class WiringException : JunctivorException
{
    internal WiringException(CheckReport report)
        : base(report.ToString()) => Report = report;

    /// <summary>All faults.</summary>
    public CheckReport Report { get; }
}
