namespace Junctivor.Load;

/// <summary>What the endpoint asks for.</summary>
public sealed class Desk(Ledger ledger, Planner planner)
{
    public string Answer() => ledger.Enter() > 0 && planner.Plan() > 1 ? "North 1" : "full";
}
