namespace Junctivor.Benchmarks.Services;

/// <summary>A scope as somebody would write it by hand for several threads.</summary>
public sealed class LockedHandScope : IDisposable
{
    private readonly Lock _gate = new();
    private Session? _session;
    private Ledger? _ledger;

    public Session Session
    {
        get
        {
            lock (_gate)
            {
                return _session ??= new Session();
            }
        }
    }

    public Ledger Ledger
    {
        get
        {
            lock (_gate)
            {
                return _ledger ??= new Ledger(Session);
            }
        }
    }

    public void Dispose()
    {
        lock (_gate)
        {
            _session?.Dispose();
        }
    }
}
