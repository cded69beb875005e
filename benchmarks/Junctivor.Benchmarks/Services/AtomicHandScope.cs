namespace Junctivor.Benchmarks.Services;

/// <summary>
/// A scope as somebody would write it by hand for several threads, without a lock: one atomic step claims what is created, one begins the
/// disposal. No scope that can be shared does with less.
/// </summary>
public sealed class AtomicHandScope : IDisposable
{
    private const long Claimed = 1;
    private const long Disposed = 2;

    private long _word;
    private Session? _session;
    private Ledger? _ledger;

    public Ledger Ledger => Volatile.Read(ref _ledger) ?? Create();

    public Session Session => _session!;

    public void Dispose()
    {
        long word = Volatile.Read(ref _word);
        if (Interlocked.CompareExchange(ref _word, Disposed, word) == word)
        {
            _session?.Dispose();
        }
    }

    private Ledger Create()
    {
        ObjectDisposedException.ThrowIf(Interlocked.CompareExchange(ref _word, Claimed, 0) != 0, this);
        _session = new Session();
        return _ledger = new Ledger(_session);
    }
}
