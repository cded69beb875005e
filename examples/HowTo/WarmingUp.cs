namespace HowTo;

/// <summary>What takes its time is created before the first work, each after what it needs; after the last work it winds down in
/// reverse.</summary>
internal static class WarmingUp
{
    public static async Task RunAsync()
    {
        Wiring wiring =
        [
            Singleton.Of<NoticeBoard>().WarmUp((board, _) => board.OpenAsync()).WindDown((board, _) => board.CloseAsync()),
            Singleton.FromAsync(async (CancellationToken cancellationToken) =>
            {
                await Task.Delay(1, cancellationToken);
                WriteLine("the ledger is fetched from the archive");
                return new BerthLedger(12);
            }),
        ];
        await using (Container container = wiring.Build())
        {
            try
            {
                container.Resolve<NoticeBoard>();
            }
            catch (ResolveException early)
            {
                WriteLine(early.Report.Errors[0]);
                WriteLine();
            }

            await container.WarmUpAsync();
            WriteLine($"work: {container.Resolve<NoticeBoard>().Bookings} bookings");
        }
    }

    private sealed record BerthLedger(int Bookings);

    private sealed class NoticeBoard(BerthLedger ledger)
    {
        public int Bookings => ledger.Bookings;

        public Task OpenAsync()
        {
            WriteLine("the board is opened");
            return Task.CompletedTask;
        }

        public Task CloseAsync()
        {
            WriteLine("the board is closed");
            return Task.CompletedTask;
        }
    }
}
