using Junctivor;

namespace Mistakes.Samples;

/// <summary>JV104: the planner is to serve as the tide table, and is none.</summary>
public static class DoesNotImplement
{
    [CheckedWiring("JV104")]
    public static Wiring Wiring =>
    [
        Singleton.Of<BerthPlanner>().Also<ITideTable>(),
    ];

    private interface ITideTable;

    private sealed class AlmanacTideTable : ITideTable;

    private sealed class BerthPlanner;
}
