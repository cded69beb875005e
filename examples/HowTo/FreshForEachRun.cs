namespace HowTo;

/// <summary>A worker that lives for ever works in a scope for each run: FreshScope starts it, resolves, runs, and ends it.</summary>
internal static class FreshForEachRun
{
    public static async Task RunAsync()
    {
        Wiring wiring =
        [
            Singleton.Of<NightlyInvoicing>(),
            Scoped.Of<InvoiceRun>(),
            Scoped.Of<BerthLedger>(),
        ];
        await using Container container = wiring.Build();
        NightlyInvoicing job = container.Resolve<NightlyInvoicing>();

        await job.RunAsync("Monday");
        await job.RunAsync("Tuesday");
    }

    private sealed class NightlyInvoicing(FreshScope<InvoiceRun> runs)
    {
        public Task RunAsync(string night) => runs.RunAsync(run => run.WriteAsync(night));
    }

    private sealed class InvoiceRun(BerthLedger ledger)
    {
        public async Task WriteAsync(string night)
        {
            await Task.Yield();
            WriteLine($"{night}: invoices from ledger {ledger.Number}");
        }
    }

    private sealed class BerthLedger : IAsyncDisposable
    {
        private static int Opened;

        public int Number { get; } = ++Opened;

        public ValueTask DisposeAsync()
        {
            WriteLine($"  ledger {Number} is closed");
            return ValueTask.CompletedTask;
        }
    }
}
