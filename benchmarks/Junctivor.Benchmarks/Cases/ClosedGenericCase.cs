using Junctivor.Benchmarks.Services;

namespace Junctivor.Benchmarks.Cases;

/// <summary>A closing of an open generic registration.</summary>
internal sealed class ClosedGenericCase : Case
{
    private readonly Container _container =
        new Wiring { Transient.Of(typeof(Crate<>)), Transient.Of<Flag>(), Transient.Of<Buoy>() }.Build();

    public override string Name => "closed-generic";

    public override double Limit => 1.1;

    public override object? ByHand() => new Crate<Flag>(new Flag(), new Buoy());

    public override object? Wired() => _container.Resolve<Crate<Flag>>();
}
