namespace Junctivor.Benchmarks.Services;

/// <summary>What works for a request: created for each asker, over two scoped services.</summary>
public sealed record Handler(Ledger Ledger, Session Session);
