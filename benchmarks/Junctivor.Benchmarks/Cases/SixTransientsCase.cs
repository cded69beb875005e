using Junctivor.Benchmarks.Services;

namespace Junctivor.Benchmarks.Cases;

/// <summary>Six transients over two singletons.</summary>
internal sealed class SixTransientsCase : Case
{
    private readonly Tides _tides = new();
    private readonly Quays _quays = new();

    private readonly Container _container = new Wiring
    {
        Singleton.Of<Tides>(),
        Singleton.Of<Quays>(),
        Transient.Of<Fleet>(),
        Transient.Of<Convoy>(),
        Transient.Of<Escort>(),
        Transient.Of<Tug>(),
        Transient.Of<Lighter>(),
        Transient.Of<Cutter>(),
    }.Build();

    public override string Name => "six-transients";

    public override double Limit => 1.1;

    public override object? ByHand() => new Fleet(
        new Convoy(new Tug(_tides, _quays), new Lighter(_tides)), new Escort(new Cutter(_tides), _quays));

    public override object? Wired() => _container.Resolve<Fleet>();
}
