namespace Junctivor.Benchmarks.Services;

/// <summary>A scope as somebody would write it by hand, which ends asynchronously.</summary>
public sealed class AsyncHandScope : IAsyncDisposable
{
    private AsyncSession? _session;
    private AsyncLedger? _ledger;

    public AsyncSession Session => _session ??= new AsyncSession();

    public AsyncLedger Ledger => _ledger ??= new AsyncLedger(Session);

    public ValueTask DisposeAsync() => _session?.DisposeAsync() ?? ValueTask.CompletedTask;
}
