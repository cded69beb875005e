namespace Junctivor.Benchmarks.Services;

/// <summary>Takes all signals.</summary>
public sealed record Mast(IReadOnlyList<ISignal> Signals);
