using Junctivor.Benchmarks.Services;

namespace Junctivor.Benchmarks.Cases;

/// <summary>One transient without needs.</summary>
internal sealed class OneTransientCase : Case
{
    private readonly Container _container = new Wiring { Transient.Of<Buoy>() }.Build();

    public override string Name => "transient";

    public override double Limit => 1.2;

    public override object? ByHand() => new Buoy();

    public override object? Wired() => _container.Resolve<Buoy>();
}
