namespace Junctivor.Load;

/// <summary>Shares the ledger of its request.</summary>
public sealed class Planner(Ledger ledger, TideTable tides)
{
    public double Plan() => ledger.Entries + tides.Low;
}
