namespace Junctivor.Benchmarks.Services;

/// <summary>A scope as somebody would write it by hand: a field for each service, and no lock.</summary>
public sealed class HandScope : IDisposable
{
    private Session? _session;
    private Ledger? _ledger;

    public Session Session => _session ??= new Session();

    public Ledger Ledger => _ledger ??= new Ledger(Session);

    public void Dispose() => _session?.Dispose();
}
