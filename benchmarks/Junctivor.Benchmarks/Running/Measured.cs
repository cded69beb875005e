using Junctivor.Benchmarks.Cases;

namespace Junctivor.Benchmarks.Running;

/// <summary>What was measured of a case.</summary>
/// <param name="Case">The case.</param>
/// <param name="Ratio">The time of the container, as a multiple of the time by hand.</param>
/// <param name="MoreBytes">The bytes of the container at one time, less those by hand.</param>
internal sealed record Measured(Case Case, double Ratio, double MoreBytes)
{
    /// <summary>What is allowed for noise.</summary>
    private const double Noise = 1.05;

    /// <summary>The machine instructions of one operation by hand; null if they cannot be counted.</summary>
    public double? InstructionsByHand { get; init; }

    /// <summary>Those of one operation with the container.</summary>
    public double? Instructions { get; init; }

    public bool IsReached => Ratio <= Case.Limit * Noise && MoreBytes <= Case.MoreBytes;
}
