namespace Harbour.Ledger;

/// <summary>What a stay that is over costs.</summary>
public sealed record Invoice(long RequestId, string Vessel, decimal Amount);
