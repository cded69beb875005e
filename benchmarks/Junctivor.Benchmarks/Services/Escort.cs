namespace Junctivor.Benchmarks.Services;

public sealed record Escort(Cutter Cutter, Quays Quays);
