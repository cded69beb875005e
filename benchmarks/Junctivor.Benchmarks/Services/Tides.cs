namespace Junctivor.Benchmarks.Services;

public sealed class Tides;
