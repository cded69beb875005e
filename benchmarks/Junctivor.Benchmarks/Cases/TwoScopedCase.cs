using Junctivor.Benchmarks.Services;

namespace Junctivor.Benchmarks.Cases;

/// <summary>A scope, a handler over two scoped services, one of them disposable, and the end.</summary>
internal class TwoScopedCase : Case
{
    private readonly Container _container = new Wiring { Scoped.Of<Session>(), Scoped.Of<Ledger>(), Transient.Of<Handler>() }.Build();

    public override string Name => "two-scoped";

    public override double Limit => 1.3;

    public override int MoreBytes => 16;

    public override object? ByHand()
    {
        using HandScope scope = new();
        Hold(scope);
        return new Handler(scope.Ledger, scope.Session);
    }

    public override object? Wired()
    {
        using Scope scope = _container.StartScope();
        Hold(scope);
        return scope.Resolve<Handler>();
    }
}
