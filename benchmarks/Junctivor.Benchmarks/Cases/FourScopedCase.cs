using Junctivor.Benchmarks.Services;

namespace Junctivor.Benchmarks.Cases;

/// <summary>A scope with four services, of which three are disposable, and the end.</summary>
internal sealed class FourScopedCase : Case
{
    private readonly Container _container = new Wiring
    {
        Scoped.Of<Session>(),
        Scoped.Of<Journal>(),
        Scoped.Of<Gauge>(),
        Scoped.Of<Ledger>(),
        Transient.Of<Office>(),
    }.Build();

    public override string Name => "four-scoped";

    public override double Limit => 1.3;

    public override int MoreBytes => 16;

    public override object? ByHand()
    {
        using OfficeHandScope scope = new();
        Hold(scope);
        return new Office(scope.Session, scope.Journal, scope.Gauge, scope.Ledger);
    }

    public override object? Wired()
    {
        using Scope scope = _container.StartScope();
        Hold(scope);
        return scope.Resolve<Office>();
    }
}
