namespace Junctivor.Tests.Runtime;

public class KnowsTests
{
    private static readonly Wiring Wiring =
    [
        Singleton.Of<IClock, SystemClock>(),
        Singleton.Of<IClock, TideClock>(),
        Scoped.From(IBerthLedger () => throw new FormatException()),
        Singleton.Of<ITideTable, AlmanacTideTable>().Marked("spring"),
        Transient.Of(typeof(IPile<>), typeof(Pile<>)),
    ];

    [Theory]
    [InlineData(typeof(IBerthLedger))]
    [InlineData(typeof(Lazy<IBerthLedger>))]
    [InlineData(typeof(FreshScope<IBerthLedger>))]
    [InlineData(typeof(IClock))]
    [InlineData(typeof(IPile<int>))]
    [InlineData(typeof(IReadOnlyList<BerthPlanner>))]
    [InlineData(typeof(Container))]
    public void Registered_services_are_known_and_not_created(Type service)
    {
        using Container container = Wiring.Build();

        Assert.True(container.Knows(service));
    }

    [Theory]
    [InlineData(typeof(BerthPlanner))]
    [InlineData(typeof(Lazy<BerthPlanner>))]
    [InlineData(typeof(ITideTable))]
    [InlineData(typeof(IPile<string>))]
    public void Others_are_not_known(Type service)
    {
        using Container container = Wiring.Build();
        using Scope scope = container.StartScope();

        Assert.False(scope.Knows(service));
    }

    [Fact]
    public void Knowing_ends_with_the_container()
    {
        Container container = Wiring.Build();
        Assert.True(container.Knows<IClock>());
        Assert.False(container.Knows<BerthPlanner>());
        container.Dispose();

        Assert.Throws<ObjectDisposedException>(() => container.Knows<IClock>());
    }

    public interface IPile<T>;

    public sealed class Pile<T> : IPile<T>
        where T : struct;
}
