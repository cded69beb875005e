namespace Junctivor.Benchmarks.Services;

public sealed record Convoy(Tug Tug, Lighter Lighter);
