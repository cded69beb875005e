using Junctivor;

namespace Mistakes.Samples;

/// <summary>JV101: the planner requires the tides, and the class that knows them is registered only as itself.</summary>
public static class Missing
{
    [CheckedWiring("JV101")]
    public static Wiring Wiring =>
    [
        Singleton.Of<AlmanacTideTable>(),
        Transient.Of<BerthPlanner>(),
    ];

    private interface ITideTable;

    private sealed class AlmanacTideTable : ITideTable;

    private sealed class BerthPlanner(ITideTable tides);
}
