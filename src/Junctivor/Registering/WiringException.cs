using Junctivor.Checks;

namespace Junctivor;

/// <summary>
/// Thrown where a wiring cannot do what is asked of it: by <c>Build</c> with every fault that was found,
/// and at run time with the one fault that only shows itself there. Its message is the report.
/// </summary>
public sealed class WiringException : InvalidOperationException
{
    internal WiringException(CheckReport report)
        : base(report.ToString()) => Report = report;

    /// <summary>Everything that was found.</summary>
    public CheckReport Report { get; }

    /// <summary>Whether it came up while something was resolved, and so belongs to the wiring that resolved it.</summary>
    internal bool IsFromRunTime { get; private init; }

    internal static WiringException AtRunTime(params IEnumerable<Fault> faults) => new(new CheckReport(faults)) { IsFromRunTime = true };
}
