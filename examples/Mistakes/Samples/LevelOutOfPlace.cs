using Junctivor;

namespace Mistakes.Samples;

/// <summary>JV305: a duty shift and a dredging job are not within each other, and one class wants both.</summary>
public static class LevelOutOfPlace
{
    private static readonly ScopeLevel DutyShift = new("duty shift");

    private static readonly ScopeLevel DredgingJob = new("dredging job");

    [CheckedWiring("JV305")]
    public static Wiring Wiring =>
    [
        DutyShift.Of<DutyRoster>(),
        DredgingJob.Of<Dredger>(),
        Transient.Of<ShiftReport>(),
    ];

    private sealed class DutyRoster;

    private sealed class Dredger;

    private sealed class ShiftReport(DutyRoster roster, Dredger dredger);
}
