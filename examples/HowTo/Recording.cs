namespace HowTo;

/// <summary>What each scope creates and shares, written to a file that <c>junctivor draw</c> opens as a page.</summary>
internal static class Recording
{
    public static async Task RunAsync()
    {
        Wiring wiring =
        [
            Singleton.Of<TideTable>(),
            Scoped.Of<Ledger>(),
            Transient.Of<Planner>(),
            Scoped.Of<Desk>(),
        ];
        string file = Path.Combine(Path.GetTempPath(), $"night-{Environment.ProcessId}.json");
        await using Container container = wiring.Build();
        using (container.RecordScopes(file, new RecordingOptions { Name = "night" }))
        {
            for (int job = 0; job < 3; job++)
            {
                await using Scope run = container.StartScope();
                run.Resolve<Desk>();
            }
        }

        string recorded = await File.ReadAllTextAsync(file);
        WriteLine($"Three jobs are in the file: {recorded.Contains("\"started\": 3", StringComparison.Ordinal)}");
        WriteLine("Look at them: junctivor draw night.json");
        File.Delete(file);
    }

    private sealed record TideTable;

    private sealed record Ledger;

    private sealed record Planner(TideTable Tides, Ledger Ledger);

    private sealed record Desk(Planner Planner, Ledger Ledger);
}
