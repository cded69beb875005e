namespace Junctivor.Cli.Demo.Office;

internal sealed class PaperLedger : IBerthLedger, IDisposable
{
    public void Dispose()
    {
    }
}
