namespace Junctivor.Benchmarks.Services;

/// <summary>Four services in a scope, of which three end with it, as somebody would write it by hand.</summary>
public sealed class OfficeHandScope : IDisposable
{
    private Session? _session;
    private Journal? _journal;
    private Gauge? _gauge;
    private Ledger? _ledger;

    public Session Session => _session ??= new Session();

    public Journal Journal => _journal ??= new Journal(Session);

    public Gauge Gauge => _gauge ??= new Gauge(Journal);

    public Ledger Ledger => _ledger ??= new Ledger(Session);

    public void Dispose()
    {
        _gauge?.Dispose();
        _journal?.Dispose();
        _session?.Dispose();
    }
}
