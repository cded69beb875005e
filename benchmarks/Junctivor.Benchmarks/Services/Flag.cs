namespace Junctivor.Benchmarks.Services;

public sealed class Flag : ISignal;
