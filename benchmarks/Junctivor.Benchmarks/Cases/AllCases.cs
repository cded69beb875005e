namespace Junctivor.Benchmarks.Cases;

/// <summary>The cases, in the order of the table.</summary>
public static class AllCases
{
    public static IReadOnlyList<Case> Make() =>
    [
        new SingletonCase(),
        new SingletonByTypeCase(),
        new OneTransientCase(),
        new SixTransientsCase(),
        new ListOfTenCase(),
        new DecoratorsCase(),
        new MarksCase(),
        new EmptyScopeCase(),
        new TwoScopedCase(),
        new TwoScopedAsyncCase(),
        new WarmScopeCase(),
        new FunctionCase(),
        new FreshScopeCase(),
    ];
}
