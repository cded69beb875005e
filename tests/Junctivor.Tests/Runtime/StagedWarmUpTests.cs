namespace Junctivor.Tests.Runtime;

/// <summary>What warms up and winds down at the same time, and what comes of it if one fails.</summary>
public class StagedWarmUpTests
{
    private readonly Lock _gate = new();
    private readonly List<string> _log = [];

    private static CancellationToken Token => TestContext.Current.CancellationToken;

    [Fact]
    public async Task What_does_not_need_each_other_warms_up_and_winds_down_at_the_same_time()
    {
        using Barrier both = new(2);
        await using Container container = new Wiring
        {
            Singleton.Of<Pilot>().WarmUp((_, _) => MeetAsync(both)).WindDown((_, _) => MeetAsync(both)),
            Singleton.Of<Tug>().WarmUp((_, _) => MeetAsync(both)).WindDown((_, _) => MeetAsync(both)),
        }.Build();

        await container.WarmUpAsync(Token);
        Assert.Equal(1, both.CurrentPhaseNumber);
        await container.WindDownAsync(Token);
        Assert.Equal(2, both.CurrentPhaseNumber);
    }

    [Fact]
    public async Task A_need_through_what_does_not_warm_up_keeps_the_order()
    {
        await using Container container = new Wiring
        {
            Log(Singleton.Of<Fleet>()),
            Singleton.Of<Berthed>(),
            Log(Singleton.Of<Tug>()),
        }.Build();

        await container.WarmUpAsync(Token);
        await container.WindDownAsync(Token);

        Assert.Equal(["Tug +", "Fleet +", "Fleet -", "Tug -"], _log);
    }

    [Fact]
    public async Task A_failure_stops_what_runs_winds_down_what_was_warm_and_says_which()
    {
        TaskCompletionSource running = new();
        await using Container container = new Wiring
        {
            Log(Singleton.Of<Tug>()),
            Singleton.Of<Berthed>().WarmUp(async (_, _) =>
            {
                await running.Task.WaitAsync(Token);
                throw new InvalidOperationException("no wind");
            }),
            Log(Singleton.Of<Fleet>()),
            Singleton.Of<Pilot>().WarmUp(async (_, stop) =>
            {
                running.SetResult();
                await Task.Delay(Timeout.Infinite, stop);
            }),
        }.Build();

        WarmUpException thrown = await Assert.ThrowsAsync<WarmUpException>(() => container.WarmUpAsync(Token));

        Assert.Equal(["StagedWarmUpTests.Berthed"], thrown.Failed);
        Assert.Equal(["StagedWarmUpTests.Tug"], thrown.WoundDown);
        Assert.Equal("no wind", Assert.IsType<InvalidOperationException>(thrown.InnerException).Message);
        Assert.Equal(
            "The warm-up of StagedWarmUpTests.Berthed failed: InvalidOperationException: no wind\nThese were warmed up, and are wound "
                + "down again: StagedWarmUpTests.Tug.", thrown.Message);
        Assert.Equal(["Tug +", "Tug -"], _log);
    }

    [Fact]
    public async Task A_second_call_after_a_failure_begins_with_what_is_cold()
    {
        bool fails = true;
        await using (Container container = new Wiring
        {
            Log(Singleton.Of<Tug>()),
            Singleton.Of<Berthed>().WarmUp((_, _) => fails ? throw new InvalidOperationException("no wind") : Task.CompletedTask),
        }.Build())
        {
            await Assert.ThrowsAsync<WarmUpException>(() => container.WarmUpAsync(Token));
            fails = false;
            await container.WarmUpAsync(Token);
            await container.WarmUpAsync(Token);
        }

        Assert.Equal(["Tug +", "Tug -", "Tug +", "Tug -"], _log);
    }

    [Fact]
    public async Task A_factory_that_fails_is_named_with_the_path_to_it()
    {
        await using Container container =
            new Wiring { Singleton.FromAsync(
                async Task<Tug> () => throw new InvalidOperationException($"no tug {await Task.FromResult(1)}")) }.Build();

        WarmUpException thrown = await Assert.ThrowsAsync<WarmUpException>(() => container.WarmUpAsync(Token));

        Assert.Equal("StagedWarmUpTests.Tug", Assert.Single(Assert.IsType<ConstructionException>(thrown.InnerException).Path).Name);
        Assert.Contains("No other service was warmed up.", thrown.Message, StringComparison.Ordinal);
    }

    [Fact]
    public async Task Cancelled_warm_up_winds_down_what_was_warmed_up()
    {
        using CancellationTokenSource patience = new();
        await using Container container = new Wiring
        {
            Log(Singleton.Of<Tug>()),
            Singleton.Of<Berthed>().WarmUp(async (_, stop) =>
            {
                await patience.CancelAsync();
                await Task.Delay(Timeout.Infinite, stop);
            }),
        }.Build();

        await Assert.ThrowsAnyAsync<OperationCanceledException>(() => container.WarmUpAsync(patience.Token));

        Assert.Equal(["Tug +", "Tug -"], _log);
    }

    [Fact]
    public async Task What_does_not_wind_down_within_the_limit_is_named_and_cancelled()
    {
        TaskCompletionSource told = new();
        Container container = new Wiring
        {
            Log(Singleton.Of<Tug>()),
            Singleton.Of<Berthed>().WindDown(async (_, stop) =>
            {
                using CancellationTokenRegistration registration = stop.Register(told.SetResult);
                await new TaskCompletionSource().Task;
            }),
        }.Build();
        await container.WarmUpAsync(Token);

        WindDownTimeoutException thrown =
            await Assert.ThrowsAsync<WindDownTimeoutException>(() => container.WindDownAsync(TimeSpan.FromMilliseconds(1), Token));

        Assert.Equal(["StagedWarmUpTests.Berthed"], thrown.Unended);
        Assert.Equal(["StagedWarmUpTests.Tug"], thrown.Waiting);
        Assert.StartsWith(
            "StagedWarmUpTests.Berthed did not wind down within 0.001 s. StagedWarmUpTests.Tug did not start, as they wait for that.",
            thrown.Message, StringComparison.Ordinal);
        await told.Task.WaitAsync(Token);
        await container.DisposeAsync();
        Assert.Equal(["Tug +"], _log);
    }

    private static Task MeetAsync(Barrier both)
    {
        both.SignalAndWait(Token);
        return Task.CompletedTask;
    }

    private Registration<T> Log<T>(Registration<T> registration) => registration
        .WarmUp((_, _) => LogAsync($"{typeof(T).Name} +"))
        .WindDown((_, _) => LogAsync($"{typeof(T).Name} -"));

    private Task LogAsync(string line)
    {
        lock (_gate)
        {
            _log.Add(line);
        }

        return Task.CompletedTask;
    }

    public sealed class Pilot;

    public sealed class Tug;

    public sealed class Berthed(Tug tug)
    {
        public Tug Tug { get; } = tug;
    }

    public sealed class Fleet(Berthed berthed)
    {
        public Berthed Berthed { get; } = berthed;
    }
}
