namespace Junctivor.Benchmarks.Services;

/// <summary>What works for a request: made for each asker, over two scoped services.</summary>
public sealed record Handler(Ledger Ledger, Session Session);
