using Junctivor.Benchmarks.Services;

namespace Junctivor.Benchmarks.Cases;

/// <summary>The same against what is as safe for threads.</summary>
internal sealed class TwoScopedLockedCase : TwoScopedCase
{
    public override string Name => "two-scoped-locked";

    public override string Against => "by hand, with a lock";

    public override double Limit => 0.85;

    public override object? ByHand()
    {
        using LockedHandScope scope = new();
        Hold(scope);
        return new Handler(scope.Ledger, scope.Session);
    }
}
