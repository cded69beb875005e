namespace Junctivor.Benchmarks.Services;

public sealed record Tug(Tides Tides, Quays Quays);
