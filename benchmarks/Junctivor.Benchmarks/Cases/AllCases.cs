namespace Junctivor.Benchmarks.Cases;

/// <summary>The cases, in the order of the table.</summary>
public static class AllCases
{
    public static IReadOnlyList<Case> Make() =>
    [
        new SingletonCase(),
        new SingletonByTypeCase(),
        new OneTransientCase(),
        new TransientCalledCase(),
        new SixTransientsCase(),
        new FiftyTransientsCase(),
        new ListOfTenCase(),
        new DecoratorsCase(),
        new PropertiesCase(),
        new ClosedGenericCase(),
        new MarksCase(),
        new TwoScopedCase(),
        new TwoScopedAtomicCase(),
        new TwoScopedLockedCase(),
        new FourScopedCase(),
        new TwoScopedAsyncCase(),
        new EmptyScopeCase(),
        new WarmScopeCase(),
        new FunctionCase(),
        new LazyCase(),
        new FreshScopeCase(),
        new LongChainCase(),
        new TwoThreadsCase(),
        new BuildCase(),
        new BuildLargeCase(),
        new ColdBuildCase(),
        new ColdBuildLargeCase(),
        new StartCase(isPrecompiled: true),
        new StartCase(isPrecompiled: false),
        new WholeProcessCase(),
    ];
}
