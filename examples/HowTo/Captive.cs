namespace HowTo;

/// <summary>A worker that lives as long as the process must not hold a ledger of one request. The check finds it through any number of
/// steps.</summary>
internal static class Captive
{
    public static void Run()
    {
        Wiring wiring =
        [
            Scoped.Of<BerthLedger>(),
            Transient.From((BerthLedger ledger) => new InvoiceWriter(ledger)),
            Singleton.Of<NightlyInvoicing>(),
        ];

        WriteLine(wiring.Check());
        WriteLine();
        WriteLine(
            "A transient ledger would be created once and kept, a singleton shared by all runs, and one created with `new` never "
                + "disposed.");
        WriteLine("The solution is a scope for each run: dotnet run --project examples/HowTo -- job");
    }

    private sealed class BerthLedger;

    private sealed class InvoiceWriter(BerthLedger ledger)
    {
        public BerthLedger Ledger { get; } = ledger;
    }

    private sealed class NightlyInvoicing(InvoiceWriter writer)
    {
        public InvoiceWriter Writer { get; } = writer;
    }
}
