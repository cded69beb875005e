namespace Junctivor.Benchmarks.Services;

public sealed record Ledger(Session Session);
