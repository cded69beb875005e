namespace Junctivor.Tests.Telemetry;

public class ObserveTests
{
    private readonly List<string> _seen = [];

    private static CancellationToken Token => TestContext.Current.CancellationToken;

    [Fact]
    public async Task Everything_that_is_created_and_disposed_is_reported_in_order()
    {
        Container container = new Wiring
        {
            Singleton.FromAsync(async () => await Task.FromResult(new Beacon())),
            Scoped.Of<MemoryLedger>().Also<IBerthLedger>(),
            Transient.Of<BerthPlanner>(),
            Scoped.Of<Lantern>(),
            Singleton.Value(new HarbourSettings("/ledgers")),
        }.Build();
        container.Observe(happened => _seen.Add($"{happened}"));

        await container.WarmUpAsync(Token);
        await using (Scope scope = container.StartScope())
        {
            scope.Resolve<BerthPlanner>();
            scope.Resolve<Lantern>();
            scope.Resolve<Lantern>();
            scope.Resolve<HarbourSettings>();
        }

        await container.DisposeAsync();

        Assert.Equal(
        [
            "constructed ObserveTests.Beacon", "started scoped", "constructed MemoryLedger", "constructed BerthPlanner",
            "constructed ObserveTests.Lantern",
            "disposed ObserveTests.Lantern", "ended scoped", "disposed ObserveTests.Beacon",
        ], _seen);
    }

    [Fact]
    public void An_event_carries_the_instance_and_where_it_belongs()
    {
        using Container container = new Wiring { Singleton.Of<SystemClock>(), Scoped.Of<Lantern>() }.Build();
        List<LifeEvent> events = [];
        container.Observe(events.Add);

        Scope scope = container.StartScope();
        SystemClock clock = scope.Resolve<SystemClock>();
        Lantern lantern = scope.Resolve<Lantern>();
        scope.Dispose();

        Assert.Equal<(LifeEventKind, object?, Resolver)>(
        [
            (LifeEventKind.ScopeStarted, null, scope), (LifeEventKind.Constructed, clock, container),
            (LifeEventKind.Constructed, lantern, scope),
            (LifeEventKind.Disposed, lantern, scope), (LifeEventKind.ScopeEnded, null, scope),
        ], events.Select(happened => (happened.Kind, happened.Instance, happened.Where)));
    }

    [Fact]
    public void An_observer_that_unsubscribes_receives_nothing_more_and_the_others_do()
    {
        using Container container = new Wiring { Transient.Of<SystemClock>() }.Build();
        void Note(LifeEvent happened) => _seen.Add($"{happened}");
        IDisposable first = container.Observe(Note);
        using IDisposable second = container.Observe(Note);

        container.Resolve<SystemClock>();
        first.Dispose();
        first.Dispose();
        container.Resolve<SystemClock>();

        Assert.Equal(3, _seen.Count);
    }

    [Fact]
    public void Disposal_after_a_failure_is_reported_with_its_own_failures()
    {
        using Container container = new Wiring
        {
            Transient.Of<Lantern>(),
            Transient.From(object (Lantern lantern) => throw new InvalidOperationException($"{lantern}")),
            Scoped.Of<Stuck>(),
        }.Build();
        container.Observe(happened => _seen.Add($"{happened}"));

        Assert.Throws<ConstructionException>(container.Resolve<object>);
        Scope scope = container.StartScope();
        scope.Resolve<Stuck>();
        Assert.Throws<AggregateException>(scope.Dispose);

        Assert.Equal(
            ["constructed ObserveTests.Lantern", "disposed ObserveTests.Lantern", "started scoped", "constructed ObserveTests.Stuck",
                "disposed ObserveTests.Stuck", "ended scoped"], _seen);
    }

    public sealed class Lantern : IDisposable
    {
        public override string ToString() => "out";

        public void Dispose()
        {
        }
    }

    public sealed class Beacon : IAsyncDisposable
    {
        public ValueTask DisposeAsync() => ValueTask.CompletedTask;
    }

    public sealed class Stuck : IDisposable
    {
        public void Dispose() => throw new InvalidOperationException("stuck");
    }
}
