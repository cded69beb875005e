using BenchmarkDotNet.Attributes;
using Junctivor.Benchmarks.Cases;

namespace Junctivor.Benchmarks.Running;

/// <summary>The cases as BenchmarkDotNet runs them, each in a process of its own; but for those in which the first time counts.</summary>
[MemoryDiagnoser]
public class FullBenchmarks
{
    public static IReadOnlyList<Case> Cases => [.. AllCases.Make().Where(each => !each.IsCold)];

    [ParamsSource(nameof(Cases))]
    public Case Case { get; set; } = null!;

    [GlobalSetup]
    public void Prepare() => Case.Prepare();

    [Benchmark(Baseline = true)]
    public object? ByHand() => Case.ByHand();

    [Benchmark]
    public object? Wired() => Case.Wired();
}
