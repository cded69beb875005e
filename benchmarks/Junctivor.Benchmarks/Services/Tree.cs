#pragma warning disable SA1402, SA1649 // One tree, of five storeys.
namespace Junctivor.Benchmarks.Services;

/// <summary>Fifty transients, five deep: 1, 3, 9, 18 and 19 of them.</summary>
public sealed record Tree(Bough First, Bough Second, Bough Third);

public sealed record Bough(Branch First, Branch Second, Branch Third);

public sealed record Branch(Twig First, Twig Second);

public sealed record Twig(Tides Tides, Leaf Leaf);

public sealed record Leaf(Tides Tides);
