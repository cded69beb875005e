using Junctivor.Benchmarks.Services;

namespace Junctivor.Benchmarks.Cases;

/// <summary>A function for a transient, at each call.</summary>
internal sealed class FunctionCase : Case
{
    private readonly Func<Buoy> _wired = new Wiring { Transient.Of<Buoy>() }.Build().Resolve<Func<Buoy>>();
    private readonly Func<Buoy> _byHand = () => new Buoy();

    public override string Name => "function";

    public override double Limit => 1.5;

    public override int MoreBytes => 32;

    public override object? ByHand() => _byHand();

    public override object? Wired() => _wired();
}
