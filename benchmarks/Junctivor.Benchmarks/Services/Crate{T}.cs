namespace Junctivor.Benchmarks.Services;

/// <summary>A closed generic class.</summary>
public sealed record Crate<T>(T Content, Buoy Seal);
