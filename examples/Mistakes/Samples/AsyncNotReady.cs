using Junctivor;

namespace Mistakes.Samples;

/// <summary>JV401: the ledger is opened asynchronously, and requested before anybody has awaited it.</summary>
public static class AsyncNotReady
{
    public static async Task<object> AskAsync()
    {
        Wiring wiring = [Singleton.FromAsync(() => LedgerFile.OpenAsync("ledger.txt"))];
        await using Container container = wiring.Build();
        return container.Resolve<LedgerFile>();
    }

    private sealed record LedgerFile(string Path)
    {
        public static Task<LedgerFile> OpenAsync(string path) => Task.FromResult(new LedgerFile(path));
    }
}
