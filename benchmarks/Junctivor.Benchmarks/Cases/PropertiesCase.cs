using Junctivor.Benchmarks.Services;

namespace Junctivor.Benchmarks.Cases;

/// <summary>Three properties.</summary>
internal sealed class PropertiesCase : Case
{
    private readonly Tides _tides = new();
    private readonly Container _container =
        new Wiring { Singleton.Of<Tides>(), Transient.Of<Buoy>(), Transient.Of<Flag>(), Transient.Of<Crane>() }.Build();

    public override string Name => "properties";

    public override double Limit => 1.1;

    public override object? ByHand() => new Crane { Tides = _tides, Buoy = new Buoy(), Flag = new Flag() };

    public override object? Wired() => _container.Resolve<Crane>();
}
