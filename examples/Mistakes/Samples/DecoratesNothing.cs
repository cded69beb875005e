using Junctivor;

namespace Mistakes.Samples;

/// <summary>JV205: the ledger is to be audited, and is registered only as its class.</summary>
public static class DecoratesNothing
{
    [CheckedWiring("JV205")]
    public static Wiring Wiring =>
    [
        Scoped.Of<PaperLedger>(),
        Decorator.Of<IBerthLedger, AuditedLedger>(),
    ];

    private interface IBerthLedger;

    private sealed class PaperLedger : IBerthLedger;

    private sealed class AuditedLedger(IBerthLedger inner) : IBerthLedger;
}
