using System.Threading.Channels;
using Microsoft.Extensions.Time.Testing;

namespace Junctivor.Tests.Reliability;

/// <summary>Sessions, schedules and pumps under what nobody does on purpose.</summary>
public sealed class WorkersTests
{
    private static readonly ScopeLevel UserSession = new("user session");

    private readonly FakeTimeProvider _time = new();
    private readonly TaskCompletionSource _goOn = new(TaskCreationOptions.RunContinuationsAsynchronously);

    private static CancellationToken Token => TestContext.Current.CancellationToken;

    [Theory]
    [InlineData(60)]
    [InlineData(3650)]
    public async Task A_session_may_be_idle_for_longer_than_timers_last(int days)
    {
        TaskCompletionSource ended = new();
        await using Container container = new Wiring { UserSession.From(() => new Ending(ended.SetResult)) }.Build();
        await using Sessions sessions = Of(container, TimeSpan.FromDays(days));
        await using (SessionVisit visit = await sessions.EnterAsync("Mira", cancellationToken: Token))
        {
            visit.Scope.Resolve<Ending>();
        }

        for (int day = 1; day < days; day++)
        {
            _time.Advance(TimeSpan.FromDays(1));
        }

        Assert.Equal(1, sessions.Count);
        _time.Advance(TimeSpan.FromDays(1));
        await ended.Task;
        Assert.Equal(0, sessions.Count);
    }

    [Fact]
    public async Task A_session_may_be_idle_for_ever()
    {
        await using Container container = new Wiring { UserSession.Of<object>() }.Build();
        await using Sessions sessions = Of(container, TimeSpan.MaxValue);
        await (await sessions.EnterAsync("Mira", cancellationToken: Token)).DisposeAsync();

        _time.Advance(TimeSpan.FromDays(400));

        Assert.Equal(1, sessions.Count);
    }

    [Fact]
    public async Task The_end_of_all_sessions_waits_for_one_that_its_last_visitor_is_ending()
    {
        await using Container container = new Wiring { UserSession.From(() => new SlowlyEnding(_goOn.Task)) }.Build();
        Sessions sessions = Of(container, TimeSpan.FromMinutes(1));
        SessionVisit visit = await sessions.EnterAsync("Mira", cancellationToken: Token);
        visit.Scope.Resolve<SlowlyEnding>();
        sessions.Drop("Mira");
        Task leaving = visit.DisposeAsync().AsTask();

        Task ending = sessions.DisposeAsync().AsTask();

        Assert.False(ending.IsCompleted);
        _goOn.SetResult();
        await ending;
        await leaving;
    }

    [Fact]
    public async Task A_caller_that_comes_after_a_start_that_failed_behind_a_visitor_who_gave_up_starts_anew()
    {
        int starts = 0;
        await using Container container = new Wiring
        {
            UserSession.FromAsync(async () =>
            {
                if (++starts == 1)
                {
                    await _goOn.Task;
                }

                return new SystemClock();
            }),
        }.Build();
        await using Sessions sessions = Of(container, TimeSpan.FromMinutes(1));
        using CancellationTokenSource impatient = new();
        Task<SessionVisit> first = sessions.EnterAsync("Mira", cancellationToken: impatient.Token).AsTask();
        await impatient.CancelAsync();
        await Assert.ThrowsAnyAsync<OperationCanceledException>(() => first);
        _goOn.SetException(new InvalidOperationException("adrift"));
        while (sessions.Count > 0)
        {
            await Task.Yield();
        }

        await using SessionVisit second = await sessions.EnterAsync("Mira", cancellationToken: Token);

        Assert.NotNull(second.Scope.Resolve<SystemClock>());
        Assert.Equal(2, starts);
    }

    [Theory]
    [InlineData(1)]
    [InlineData(5_000)]
    [InlineData(9_000)]
    public async Task Job_that_is_always_due_does_not_block_the_caller(long ticks)
    {
        await using Container container = new Wiring { Scoped.Of<SystemClock>() }.Build();
        JobSchedule schedule = new(container, (_, _) => Task.CompletedTask);
        int runs = 0;
        TaskCompletionSource hasRun = new();
        schedule.Every<SystemClock>(TimeSpan.FromTicks(ticks), (_, _) =>
        {
            if (++runs == 3)
            {
                hasRun.SetResult();
            }

            return Task.CompletedTask;
        });

        await schedule.StartAsync(Token);
        await hasRun.Task;
        await schedule.StopAsync(Token);

        Assert.True(schedule.Completion.IsCompletedSuccessfully);
    }

    [Fact]
    public async Task Interval_beyond_the_end_of_time_is_never_due()
    {
        await using Container container = new Wiring { Scoped.Of<SystemClock>() }.Build();
        JobSchedule schedule = new(container, (_, failure) => Task.FromException(failure), _time);
        TaskCompletionSource hasRun = new();
        schedule.Every<SystemClock>(TimeSpan.MaxValue, (_, _) => Task.FromException(new InvalidOperationException("too early")));
        schedule.Every<SystemClock>(TimeSpan.FromHours(5), (_, _) =>
        {
            hasRun.TrySetResult();
            return Task.CompletedTask;
        });
        await schedule.StartAsync(Token);

        while (!hasRun.Task.IsCompleted)
        {
            _time.Advance(TimeSpan.FromHours(1));
            await Task.Yield();
        }

        await schedule.StopAsync(Token);
    }

    [Theory]
    [InlineData(1)]
    [InlineData(3)]
    public async Task Pump_whose_failure_callback_throws_stops_and_leaves_the_rest_in_the_channel(int atOnce)
    {
        Channel<string> messages = Channel.CreateUnbounded<string>();
        await using Container container =
            new Wiring { Scoped.From<IMessageHandler<string>>(
                () => new Receiver(message => message == "bad" ? throw new InvalidOperationException() : _goOn.Task)) }.Build();
        MessagePump<string> pump = new(container, messages.Reader,
            (_, _) => throw new InvalidOperationException("the log is full"))
        { MaxConcurrency = atOnce };
        await pump.StartAsync(Token);
        for (int number = 1; number < atOnce; number++)
        {
            await messages.Writer.WriteAsync("slow", Token);
        }

        await messages.Writer.WriteAsync("bad", Token);
        while (messages.Reader.Count > 0)
        {
            await Task.Yield();
        }

        await messages.Writer.WriteAsync("good", Token);
        await messages.Writer.WriteAsync("good", Token);
        _goOn.SetResult();

        Assert.Equal("the log is full", (await Assert.ThrowsAsync<InvalidOperationException>(() => pump.Completion)).Message);
        Assert.Equal("the log is full", (await Assert.ThrowsAsync<InvalidOperationException>(() => pump.StopAsync(Token))).Message);
        Assert.InRange(messages.Reader.Count, atOnce == 1 ? 2 : 0, 2);
        await pump.StopAsync(Token);
    }

    [Fact]
    public async Task Every_StopAsync_awaits_the_end_of_the_pump()
    {
        Channel<string> messages = Channel.CreateUnbounded<string>();
        TaskCompletionSource hasBegun = new();
        await using Container container = new Wiring
        {
            Scoped.From<IMessageHandler<string>>(() => new Receiver(_ =>
            {
                hasBegun.SetResult();
                return _goOn.Task;
            })),
        }.Build();
        MessagePump<string> pump = new(container, messages.Reader, (_, failure) => Task.FromException(failure));
        await pump.StartAsync(Token);
        await messages.Writer.WriteAsync("slow", Token);
        await hasBegun.Task;

        Task[] stops = [pump.StopAsync(Token), pump.StopAsync(Token)];

        Assert.All(stops, stop => Assert.False(stop.IsCompleted));
        _goOn.SetResult();
        await Task.WhenAll(stops);
    }

    private Sessions Of(Container container, TimeSpan idleFor) =>
        new(container, UserSession, (_, failure) => Task.FromException(failure), _time) { IdleTimeout = idleFor };

    public sealed class Ending(Action ended) : IDisposable
    {
        public void Dispose() => ended();
    }

    public sealed class SlowlyEnding(Task goOn) : IAsyncDisposable
    {
        public async ValueTask DisposeAsync() => await goOn;
    }

    public sealed class Receiver(Func<string, Task> receive) : IMessageHandler<string>
    {
        public Task HandleAsync(string message, CancellationToken cancellationToken) => receive(message);
    }
}
