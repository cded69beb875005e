using Junctivor.Benchmarks.Services;

namespace Junctivor.Benchmarks.Cases;

/// <summary>A wrapper that creates its value at the first use, created and used at each call.</summary>
internal sealed class LazyCase : Case
{
    private readonly Container _container = new Wiring { Transient.Of<Buoy>() }.Build();

    public override string Name => "lazy";

    public override double Limit => 1.5;

    public override int MoreBytes => 32;

    public override object? ByHand() => new Lazy<Buoy>(() => new Buoy(), LazyThreadSafetyMode.PublicationOnly).Value;

    public override object? Wired() => _container.Resolve<Lazy<Buoy>>().Value;
}
