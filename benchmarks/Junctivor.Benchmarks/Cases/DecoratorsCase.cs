using Junctivor.Benchmarks.Services;

namespace Junctivor.Benchmarks.Cases;

/// <summary>Three wrappers around one.</summary>
internal sealed class DecoratorsCase : Case
{
    private readonly Container _container = new Wiring
    {
        Transient.Of<ISignal, Flag>(),
        Decorator.Of<ISignal, Lamp>(),
        Decorator.Of<ISignal, Lamp>(),
        Decorator.Of<ISignal, Lamp>(),
    }.Build();

    public override string Name => "decorators";

    public override double Limit => 1.1;

    public override object? ByHand() => new Lamp(new Lamp(new Lamp(new Flag())));

    public override object? Wired() => _container.Resolve<ISignal>();
}
