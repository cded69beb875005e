using Junctivor.Benchmarks.Services;

namespace Junctivor.Benchmarks.Cases;

/// <summary>The same, ended asynchronously.</summary>
internal sealed class TwoScopedAsyncCase : Case
{
    private readonly Container _container =
        new Wiring { Scoped.Of<AsyncSession>(), Scoped.Of<AsyncLedger>(), Transient.Of<AsyncHandler>() }.Build();

    public override string Name => "two-scoped-async";

    public override double Limit => 1.4;

    public override int MoreBytes => 16;

    public override object? ByHand() => ByHandAsync().AsTask().Result;

    public override object? Wired() => WiredAsync().AsTask().Result;

    private static async ValueTask<object?> ByHandAsync()
    {
        await using AsyncHandScope scope = new();
        Hold(scope);
        return new AsyncHandler(scope.Ledger, scope.Session);
    }

    private async ValueTask<object?> WiredAsync()
    {
        await using Scope scope = _container.StartScope();
        Hold(scope);
        return scope.Resolve<AsyncHandler>();
    }
}
