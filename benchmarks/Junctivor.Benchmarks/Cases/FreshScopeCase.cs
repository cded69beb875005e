using Junctivor.Benchmarks.Services;

namespace Junctivor.Benchmarks.Cases;

/// <summary>A run in a fresh scope, at each call.</summary>
internal sealed class FreshScopeCase : Case
{
    private readonly FreshScope<Ledger> _wired = new Wiring { Scoped.Of<Session>(), Scoped.Of<Ledger>() }.Build()
        .Resolve<FreshScope<Ledger>>();

    public override string Name => "fresh-scope";

    public override double Limit => 1.5;

    public override int MoreBytes => 32;

    public override object? ByHand()
    {
        using HandScope scope = new();
        Hold(scope);
        return scope.Ledger.Session;
    }

    public override object? Wired() => _wired.Run(ledger => ledger.Session);
}
