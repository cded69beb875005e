namespace Junctivor.Cli.Demo.Office;

internal interface IBerthLedger;

internal sealed class PaperLedger : IBerthLedger, IDisposable
{
    public void Dispose()
    {
    }
}

internal sealed class CountingLedger(IBerthLedger inner) : IBerthLedger
{
    public IBerthLedger Inner => inner;
}
