namespace Junctivor.AspNetCore.Tests;

/// <summary>Who is asking; known with the request.</summary>
public sealed record Caller(string Name);

/// <summary>A ledger of one request. It tells the log when it ends.</summary>
public sealed class Ledger(EndLog log) : IAsyncDisposable
{
    private static int Last;

    public int Number { get; } = Interlocked.Increment(ref Last);

    public async ValueTask DisposeAsync()
    {
        await Task.Yield();
        log.HasEnded(Number);
    }
}

/// <summary>Works with the ledger of its request.</summary>
public sealed class Desk(Ledger ledger, Caller caller)
{
    public Ledger Ledger { get; } = ledger;

    public string Answer => $"{caller.Name} at ledger {Ledger.Number}";
}
