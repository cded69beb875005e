namespace Junctivor.Load;

/// <summary>One for each request, and ended with it.</summary>
public sealed class Ledger : IAsyncDisposable
{
    public int Entries { get; private set; }

    public int Enter() => ++Entries;

    public ValueTask DisposeAsync() => ValueTask.CompletedTask;
}
