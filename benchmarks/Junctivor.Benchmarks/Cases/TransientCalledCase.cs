using Junctivor.Benchmarks.Services;

namespace Junctivor.Benchmarks.Cases;

/// <summary>One transient without needs, against what is also known only at run time.</summary>
internal sealed class TransientCalledCase : Case
{
    private static readonly Func<object> Made = static () => new Buoy();

    private readonly Container _container = new Wiring { Transient.Of<Buoy>() }.Build();

    public override string Name => "transient-called";

    public override string Against => "by hand, through a function";

    public override double Limit => 1.2;

    public override object? ByHand() => Made();

    public override object? Wired() => _container.Resolve<Buoy>();
}
