namespace Junctivor.Cli.Demo.Office;

internal sealed class CountingLedger(IBerthLedger inner) : IBerthLedger
{
    public IBerthLedger Inner => inner;
}
