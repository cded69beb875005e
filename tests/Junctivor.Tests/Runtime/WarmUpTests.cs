using Junctivor.Checks;

namespace Junctivor.Tests.Runtime;

public class WarmUpTests
{
    private readonly List<string> _log = [];

    private static CancellationToken Token => TestContext.Current.CancellationToken;

    [Fact]
    public async Task Asynchronous_singletons_are_created_in_the_order_of_their_dependencies_whatever_the_order_written()
    {
        await using Container container = new Wiring
        {
            Singleton.FromAsync(
                async (LedgerFile file) => await Made("desk", new BookingDesk(null!, new BerthPlanner(new MemoryLedger())), file)),
            Singleton.FromAsync(async (HarbourSettings settings) => await Made("file", new LedgerFile(settings.DataFolder))),
            Singleton.FromAsync(async () => await Made("settings", new HarbourSettings("/ledgers"))),
        }.Build();

        await container.WarmUpAsync(Token);

        Assert.Equal(["settings", "file", "desk"], _log);
        Assert.Equal("/ledgers", container.Resolve<LedgerFile>().Folder);
        await container.WarmUpAsync(Token);
        Assert.Equal(3, _log.Count);
    }

    [Fact]
    public async Task Requested_before_it_was_awaited_is_a_fault_with_the_path_to_it()
    {
        await using Container container = new Wiring
        {
            Singleton.FromAsync(async () => await Made("settings", new HarbourSettings("/ledgers"))),
            Transient.From((HarbourSettings settings) => new LedgerFile(settings.DataFolder)),
        }.Build();

        Fault fault = Assert.Single(Assert.Throws<ResolveException>(container.Resolve<LedgerFile>).Report.Errors);
        Assert.Equal("JV401", fault.Code);
        Assert.Equal([null, "settings"], fault.Path.Select(step => step.Parameter));
        Assert.Contains("WarmUpAsync", Assert.Single(fault.Fixes).ToString(), StringComparison.Ordinal);

        await container.WarmUpAsync(Token);
        Assert.Equal("/ledgers", container.Resolve<LedgerFile>().Folder);
    }

    [Fact]
    public async Task A_scope_awaits_what_its_level_creates_and_ends_it()
    {
        ScopeLevel shift = new("shift");
        await using Container container = new Wiring
        {
            Scoped.Incoming<Caller>(),
            shift.FromAsync(async () => await Made("shift", new Ending("shift", _log))),
            Scoped.FromAsync(async (Ending around, Caller caller, CancellationToken cancellationToken) =>
                await Made($"{caller.Name}, {cancellationToken == Token}", Tuple.Create(around))),
        }.Build();

        await using (Scope around = await container.StartScopeAsync(shift, cancellationToken: Token))
        {
            await using Scope request = await around.StartScopeAsync([Incoming.Value(new Caller("Mira"))], Token);
            Assert.Same(around.Resolve<Ending>(), request.Resolve<Tuple<Ending>>().Item1);
            Assert.Equal(
                "JV401",
                Assert.Throws<ResolveException>(
                    around.StartScope(Incoming.Value(new Caller("Odd"))).Resolve<Tuple<Ending>>).Report.Errors[0].Code);
        }

        Assert.Equal(["shift", "Mira, True", "shift has ended"], _log);
    }

    [Fact]
    public async Task A_fresh_scope_awaits_too_where_it_can()
    {
        await using Container container = new Wiring { Scoped.FromAsync(async () => await Made("made", new SystemClock())) }.Build();
        FreshScope<SystemClock> clocks = container.Resolve<FreshScope<SystemClock>>();

        Assert.NotNull(await clocks.RunAsync(Task.FromResult, cancellationToken: Token));
        Assert.Throws<ResolveException>(() => clocks.Run(_ => { }));
    }

    [Fact]
    public async Task A_scope_whose_factory_throws_ends_and_says_why()
    {
        await using Container container = new Wiring
        {
            Scoped.FromAsync(async () => await Made("first", new Ending("first", _log))),
            Scoped.FromAsync(
                async Task<LedgerFile> (Ending first) =>
                    throw new InvalidOperationException($"low tide {await Task.FromResult(1)} {first}")),
        }.Build();

        ConstructionException thrown = await Assert.ThrowsAsync<ConstructionException>(
            async () => await container.StartScopeAsync(cancellationToken: Token));

        Assert.Contains("LedgerFile could not be created: InvalidOperationException: low tide", thrown.Message, StringComparison.Ordinal);
        Assert.Equal(["first", "first has ended"], _log);
    }

    [Fact]
    public async Task Warming_up_follows_the_dependencies_and_winding_down_goes_back()
    {
        Container container = new Wiring
        {
            Log<BerthPlanner>(Singleton.Of<BerthPlanner>(), "planner"),
            Log<MemoryLedger>(Singleton.Of<MemoryLedger>().Also<IBerthLedger>(), "ledger"),
            Decorator.Of<IBerthLedger, Registering.DecoratorTests.Audited>(),
            Singleton.Of<SystemClock>(),
        }.Build();

        await container.WarmUpAsync(Token);
        Assert.Contains(
            "MemoryLedger, BerthPlanner must be wound down", Assert.Throws<InvalidOperationException>(container.Dispose).Message,
            StringComparison.Ordinal);
        await container.WindDownAsync(Token);
        await container.WindDownAsync(Token);
        await container.DisposeAsync();

        Assert.Equal(["ledger is warm", "planner is warm", "planner winds down", "ledger winds down"], _log);
    }

    [Fact]
    public async Task What_winding_down_throws_comes_together_with_what_ending_throws()
    {
        Container container = new Wiring
        {
            Singleton.Of<DisposalTests.Failing>()
                .WarmUp((_, _) => Task.CompletedTask)
                .WindDown((_, _) => throw new InvalidOperationException("against the wind")),
        }.Build();
        await container.WarmUpAsync(Token);
        Assert.StartsWith(
            "DisposalTests.Failing must be wound down", Assert.Throws<InvalidOperationException>(container.Dispose).Message,
            StringComparison.Ordinal);

        AggregateException thrown = await Assert.ThrowsAsync<AggregateException>(async () => await container.DisposeAsync());

        Assert.Equal(["against the wind", "first"], thrown.InnerExceptions.Select(failure => failure.Message));
    }

    [Fact]
    public void An_asynchronous_factory_in_from_and_a_warm_up_off_a_singleton_are_faults()
    {
        Wiring wiring =
        [
            Singleton.From(async () => await Task.FromResult(new SystemClock())),
            Scoped.Of<MemoryLedger>().WarmUp((_, _) => ValueTask.CompletedTask),
        ];

        Assert.Equal(["JV108", "JV109"], wiring.Check().Errors.Select(fault => fault.Code));
    }

    private async Task<T> Made<T>(string what, T made, object? after = null)
    {
        await Task.Yield();
        _ = after;
        _log.Add(what);
        return made;
    }

    private Registration<T> Log<T>(Registration<T> registration, string name) => registration
        .WarmUp((_, _) => LogAsync($"{name} is warm"))
        .WindDown((_, _) => LogAsync($"{name} winds down"));

    private Task LogAsync(string line)
    {
        _log.Add(line);
        return Task.CompletedTask;
    }

    public sealed class Ending(string name, List<string> log) : IDisposable
    {
        public void Dispose() => log.Add($"{name} has ended");
    }
}
