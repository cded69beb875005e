namespace Junctivor.Benchmarks.Services;

/// <summary>What works for a request, over four scoped services of which three end with their scope.</summary>
public sealed record Office(Session Session, Journal Journal, Gauge Gauge, Ledger Ledger);
