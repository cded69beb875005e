namespace Junctivor.Benchmarks.Services;

public sealed record Lighter(Tides Tides);
