namespace Junctivor.Benchmarks.Services;

public sealed record Cutter(Tides Tides);
