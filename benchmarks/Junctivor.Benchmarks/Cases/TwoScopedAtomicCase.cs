using Junctivor.Benchmarks.Services;

namespace Junctivor.Benchmarks.Cases;

/// <summary>The same against what has the same two atomic steps: what is left is not theirs.</summary>
internal sealed class TwoScopedAtomicCase : TwoScopedCase
{
    public override string Name => "two-scoped-atomic";

    public override string Against => "by hand, with two atomic steps";

    public override double Limit => 1.3;

    public override object? ByHand()
    {
        using AtomicHandScope scope = new();
        Hold(scope);
        return new Handler(scope.Ledger, scope.Session);
    }
}
