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

    private interface IBerthLedger
    {
        Task InvoiceAsync(DateOnly night);
    }

    private sealed class PaperLedger : IBerthLedger
    {
        public int Page { get; private set; }

        public Task InvoiceAsync(DateOnly night)
        {
            Page++;
            return Task.CompletedTask;
        }
    }

    private sealed class NightlyInvoicing(IBerthLedger ledger)
    {
        public async Task RunAsync(DateOnly night) => await ledger.InvoiceAsync(night);
    }
}
