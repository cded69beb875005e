using Junctivor;

namespace Mistakes.Samples;

/// <summary>JV301: the nightly job keeps the ledger of one scope, for every night.</summary>
public static class Captive
{
    [CheckedWiring("JV301")]
    public static Wiring Wiring =>
    [
        Scoped.Of<IBerthLedger, PaperLedger>(),
        Singleton.Of<NightlyInvoicing>(),
    ];

    private interface IBerthLedger;

    private sealed class PaperLedger : IBerthLedger
    {
        public int Page { get; set; }
    }

    private sealed class NightlyInvoicing(IBerthLedger ledger);
}
