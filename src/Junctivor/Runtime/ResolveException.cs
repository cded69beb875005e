using Junctivor.Checks;

namespace Junctivor;

/// <summary>
/// Thrown where something that is asked of a container or scope cannot be had: a service that nobody registers, one that needs a
/// scope, a value that was not handed over, a level that cannot start here. It says the same as the check would, with the same
/// codes and cures. What a constructor or factory throws comes as <see cref="ConstructionException"/> instead.
/// </summary>
public sealed class ResolveException : InvalidOperationException
{
    internal ResolveException(params IEnumerable<Fault> faults)
        : this(new CheckReport([.. faults], []))
    {
    }

    private ResolveException(CheckReport report)
        : base(report.All.Count == 1 ? report.All[0].ToString() : report.ToString()) => Report = report;

    /// <summary>What is wrong; the first, where there are several.</summary>
    public Fault Fault => Report.All[0];

    /// <summary>Everything that is wrong with what was asked for.</summary>
    public CheckReport Report { get; }
}
