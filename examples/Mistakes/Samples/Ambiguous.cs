using Junctivor;

namespace Mistakes.Samples;

/// <summary>JV202: there are two ledgers, and the planner wants one.</summary>
public static class Ambiguous
{
    [CheckedWiring("JV202")]
    public static Wiring Wiring =>
    [
        Scoped.Of<IBerthLedger, PaperLedger>(),
        Scoped.Of<IBerthLedger, SlateLedger>(),
        Transient.Of<BerthPlanner>(),
    ];

    private interface IBerthLedger;

    private sealed class PaperLedger : IBerthLedger;

    private sealed class SlateLedger : IBerthLedger;

    private sealed class BerthPlanner(IBerthLedger ledger);
}
