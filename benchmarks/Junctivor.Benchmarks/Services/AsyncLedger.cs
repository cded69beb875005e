namespace Junctivor.Benchmarks.Services;

public sealed record AsyncLedger(AsyncSession Session);
