namespace Junctivor.Benchmarks.Services;

/// <summary>Wraps another signal.</summary>
public sealed record Lamp(ISignal Inner) : ISignal;
