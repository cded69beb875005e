using Junctivor.Benchmarks.Services;

namespace Junctivor.Benchmarks.Cases;

/// <summary>A handler in a scope that has its services already.</summary>
internal sealed class WarmScopeCase : Case
{
    private static readonly Container Container = new Wiring { Scoped.Of<Session>(), Scoped.Of<Ledger>(), Transient.Of<Handler>() }.Build();
    private static readonly HandScope Hand = new();

    private readonly Scope _scope = Container.StartScope();

    public override string Name => "warm-scope";

    public override double Limit => 1.3;

    public override object? ByHand() => new Handler(Hand.Ledger, Hand.Session);

    public override object? Wired() => _scope.Resolve<Handler>();
}
