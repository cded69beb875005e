namespace HowTo;

/// <summary>Jobs run at an interval or at a time of day, each run in a scope of its own; one that fails is told, and runs again.</summary>
internal static class ScheduledJob
{
    private static readonly CancellationTokenSource Stop = new();

    public static async Task RunAsync()
    {
        Wiring wiring =
        [
            Scoped.Of<BerthLedger>(),
            Scoped.Of<InvoiceRun>(),
        ];
        await using Container container = wiring.Build();

        // A test supplies a TimeProvider of its own, and waits for nothing.
        JobSchedule schedule = new(container, TellAsync);
        schedule.Every<InvoiceRun>(TimeSpan.FromMilliseconds(20), (run, _) => run.WriteAsync());
        schedule.Daily<InvoiceRun>(new TimeOnly(3, 0), (run, _) => run.WriteAsync());
        await schedule.RunAsync(Stop.Token);
        WriteLine("the schedule has ended");
    }

    private static Task TellAsync(Type job, Exception failure) => Out.WriteLineAsync($"{job.Name} failed: {failure.Message}");

    private sealed class InvoiceRun(BerthLedger ledger)
    {
        public Task WriteAsync()
        {
            WriteLine($"invoices from ledger {ledger.Number}");
            if (ledger.Number == 2)
            {
                throw new InvalidOperationException("the printer is out of paper");
            }

            return ledger.Number < 3 ? Task.CompletedTask : Stop.CancelAsync();
        }
    }

    private sealed class BerthLedger : IDisposable
    {
        private static int Opened;

        public int Number { get; } = ++Opened;

        public void Dispose() => WriteLine($"  ledger {Number} is closed");
    }
}
