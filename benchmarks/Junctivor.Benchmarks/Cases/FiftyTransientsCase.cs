using Junctivor.Benchmarks.Services;

namespace Junctivor.Benchmarks.Cases;

/// <summary>Fifty transients, five deep.</summary>
internal sealed class FiftyTransientsCase : Case
{
    private readonly Tides _tides = new();

    private readonly Container _container = new Wiring
    {
        Singleton.Of<Tides>(),
        Transient.Of<Tree>(),
        Transient.Of<Bough>(),
        Transient.Of<Branch>(),
        Transient.Of<Twig>(),
        Transient.Of<Leaf>(),
    }.Build();

    public override string Name => "fifty-transients";

    public override double Limit => 1.1;

    public override object? ByHand() => new Tree(Bough(), Bough(), Bough());

    public override object? Wired() => _container.Resolve<Tree>();

    private Bough Bough() => new(Branch(), Branch(), Branch());

    private Branch Branch() => new(Twig(), Twig());

    private Twig Twig() => new(_tides, new Leaf(_tides));
}
