using Junctivor;

namespace Mistakes.Samples;

/// <summary>JV108: a factory that takes its time is given to From.</summary>
public static class AsyncInFrom
{
    [CheckedWiring("JV108")]
    public static Wiring Wiring =>
    [
        Singleton.From(async () => new LedgerFile(await File.ReadAllTextAsync("ledger.txt"))),
    ];

    private sealed record LedgerFile(string Text);
}
