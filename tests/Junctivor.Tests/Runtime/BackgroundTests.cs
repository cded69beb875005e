namespace Junctivor.Tests.Runtime;

/// <summary>Background work starts after the warm-up, stops in order, and is never silent when it fails.</summary>
public class BackgroundTests
{
    private static CancellationToken Token => TestContext.Current.CancellationToken;

    [Fact]
    public async Task It_starts_when_everything_is_warm_and_stops_before_its_dependencies()
    {
        Log log = new();
        Wiring wiring =
        [
            Singleton.Value(log),
            Singleton.Of<Tides>()
                .WarmUp((_, _) => log.Add("tides are warm"))
                .Background((_, stop) => log.UntilAsync("reads tides", stop))
                .WindDown((_, _) => log.Add("tides wind down")),
            Singleton.Of<Crier>()
                .WarmUp((_, _) => log.Add("crier is warm"))
                .Background((crier, stop) => log.UntilAsync("cries", stop)),
        ];
        await using Container container = wiring.Build();

        await container.WarmUpAsync(Token);
        await log.WaitForAsync("reads tides");
        await log.WaitForAsync("cries");
        await container.WindDownAsync(Token);

        Assert.Equal(["tides are warm", "crier is warm"], log.Lines.Take(2));
        Assert.Equal("cries ended", log.Lines[4]);
        Assert.Equal(["reads tides ended", "tides wind down"], log.Lines.Skip(5).Order());
    }

    [Fact]
    public async Task Work_that_fails_is_told_at_once_and_thrown_by_the_wind_down()
    {
        Wiring wiring = [Singleton.Of<Log>().Background((_, _) => throw new TimeoutException("no tide"))];
        await using Container container = wiring.Build();

        await container.WarmUpAsync(Token);
        BackgroundException told = await container.BackgroundFailure.WaitAsync(Token);
        AggregateException thrown = await Assert.ThrowsAsync<AggregateException>(() => container.WindDownAsync(Token));

        Assert.Equal("The background work of Log failed: TimeoutException: no tide", told.Message);
        Assert.Equal("Log", told.Service);
        Assert.Same(told, Assert.Single(thrown.InnerExceptions));
    }

    [Fact]
    public async Task Told_otherwise_the_program_goes_on_without_it()
    {
        Log log = new();
        Wiring wiring =
        [
            Singleton.Value(log),
            Singleton.Of<Tides>().Background(
                (_, _) => throw new TimeoutException("no tide"), (_, failure) => log.Add(failure.Message)),
        ];
        await using Container container = wiring.Build();

        await container.WarmUpAsync(Token);
        await log.WaitForAsync("no tide");
        await container.WindDownAsync(Token);

        Assert.False(container.BackgroundFailure.IsCompleted);
    }

    [Fact]
    public async Task If_who_is_told_fails_both_are_told()
    {
        Wiring wiring =
        [
            Singleton.Of<Log>().Background(
                (_, _) => throw new TimeoutException("no tide"), (_, _) => throw new InvalidOperationException("no printer")),
        ];
        await using Container container = wiring.Build();

        await container.WarmUpAsync(Token);
        BackgroundException told = await container.BackgroundFailure.WaitAsync(Token);

        AggregateException both = Assert.IsType<AggregateException>(told.InnerException);
        Assert.Equal(["no tide", "no printer"], both.InnerExceptions.Select(each => each.Message));
        await Assert.ThrowsAsync<AggregateException>(() => container.WindDownAsync(Token));
    }

    [Fact]
    public async Task What_fails_while_it_stops_is_thrown_by_the_wind_down()
    {
        Log log = new();
        Wiring wiring =
        [
            Singleton.Value(log),
            Singleton.Of<Tides>().Background(async (_, stop) =>
            {
                await log.UntilAsync("reads", stop);
                throw new TimeoutException("too late");
            }),
        ];
        await using Container container = wiring.Build();
        await container.WarmUpAsync(Token);
        await log.WaitForAsync("reads");

        AggregateException thrown = await Assert.ThrowsAsync<AggregateException>(() => container.WindDownAsync(Token));

        Assert.IsType<TimeoutException>(Assert.IsType<BackgroundException>(Assert.Single(thrown.InnerExceptions)).InnerException);
    }

    [Fact]
    public async Task A_limit_names_work_that_does_not_stop()
    {
        TaskCompletionSource stuck = new();
        Wiring wiring = [Singleton.Of<Log>().Background((_, _) => stuck.Task)];
        await using Container container = wiring.Build();
        await container.WarmUpAsync(Token);

        WindDownTimeoutException thrown =
            await Assert.ThrowsAsync<WindDownTimeoutException>(() => container.WindDownAsync(TimeSpan.Zero, Token));

        Assert.Equal(["Log"], thrown.Unended.Concat(thrown.Waiting));
        stuck.SetResult();
    }

    [Fact]
    public async Task A_warm_up_that_fails_starts_nothing()
    {
        Log log = new();
        Wiring wiring =
        [
            Singleton.Value(log),
            Singleton.Of<Tides>().Background((_, stop) => log.UntilAsync("reads", stop)),
            Singleton.Of<Crier>().WarmUp((_, _) => throw new TimeoutException("hoarse")),
        ];
        await using Container container = wiring.Build();

        await Assert.ThrowsAsync<WarmUpException>(() => container.WarmUpAsync(Token));

        Assert.Empty(log.Lines);
    }

    [Fact]
    public async Task Work_that_winds_down_its_own_container_is_told_that_it_would_wait_for_itself()
    {
        Wiring wiring = [Singleton.From((Container own) => new Ending(own)).Background((ending, _) => ending.Own.WindDownAsync(Token))
            .Accept("JV502", reason: "It ends the container.")];
        await using Container container = wiring.Build();

        await container.WarmUpAsync(Token);

        BackgroundException told = await container.BackgroundFailure.WaitAsync(Token);
        Assert.Contains("calls WindDownAsync, which waits for that background work", told.Message, StringComparison.Ordinal);
        await Assert.ThrowsAsync<AggregateException>(() => container.WindDownAsync(Token));
    }

    [Fact]
    public void It_is_for_singletons_and_counts_as_a_use()
    {
        Wiring scoped = [Scoped.Of<Log>().Background((_, _) => Task.CompletedTask)];
        Wiring unused =
        [
            Singleton.Of<Log>(),
            Singleton.Of<Tides>().Background((_, _) => Task.CompletedTask),
            Transient.Of<Ending>().ResolvedDirectly(),
        ];

        Assert.Contains("Background", Assert.Single(scoped.Check().Errors).Summary, StringComparison.Ordinal);
        Assert.DoesNotContain(unused.Check().Warnings, warning => warning.Code == "JV501");
    }

    private sealed record Ending(Container Own);

    private sealed class Tides(Log log)
    {
        public Log Log { get; } = log;
    }

    private sealed class Crier(Tides tides)
    {
        public Tides Tides { get; } = tides;
    }

    private sealed class Log
    {
        private readonly List<string> _lines = [];
        private readonly List<(string Line, TaskCompletionSource Told)> _awaited = [];

        public IReadOnlyList<string> Lines
        {
            get
            {
                lock (_lines)
                {
                    return [.. _lines];
                }
            }
        }

        public Task Add(string line)
        {
            lock (_lines)
            {
                _lines.Add(line);
                foreach ((_, TaskCompletionSource told) in _awaited.Where(awaited => awaited.Line == line))
                {
                    told.TrySetResult();
                }
            }

            return Task.CompletedTask;
        }

        public Task WaitForAsync(string line)
        {
            lock (_lines)
            {
                TaskCompletionSource told = new(TaskCreationOptions.RunContinuationsAsynchronously);
                if (_lines.Contains(line))
                {
                    told.SetResult();
                }

                _awaited.Add((line, told));
                return told.Task.WaitAsync(Token);
            }
        }

        public async Task UntilAsync(string line, CancellationToken stop)
        {
            TaskCompletionSource stopped = new(TaskCreationOptions.RunContinuationsAsynchronously);
            await using CancellationTokenRegistration registration = stop.Register(stopped.SetResult);
            await Add(line);
            await stopped.Task;
            await Add($"{line} ended");
        }
    }
}
