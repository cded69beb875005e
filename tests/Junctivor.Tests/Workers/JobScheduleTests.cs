using System.Threading.Channels;
using Microsoft.Extensions.Time.Testing;

namespace Junctivor.Tests.Workers;

public class JobScheduleTests
{
    private readonly FakeTimeProvider _time = new(new DateTimeOffset(2027, 5, 4, 12, 0, 0, TimeSpan.Zero));
    private readonly Channel<string> _ran = Channel.CreateUnbounded<string>();
    private readonly Channel<(Type Job, Exception Failure)> _failed = Channel.CreateUnbounded<(Type, Exception)>();

    private static CancellationToken Token => TestContext.Current.CancellationToken;

    private Wiring Office => [Singleton.Value(_ran), Scoped.Of<Page>(), Transient.Of<Invoicing>()];

    [Fact]
    public async Task A_job_runs_at_its_interval_each_time_in_a_scope_of_its_own()
    {
        await using Container container = Office.Build();
        JobSchedule schedule = Schedule(container);
        schedule.Every<Invoicing>(TimeSpan.FromMinutes(10), (job, _) => job.RunAsync(Now()));

        await RunAsync(schedule, async () =>
        {
            Assert.False(_ran.Reader.TryRead(out _));
            Assert.Equal(["12:10", "closed"], await AfterAsync(TimeSpan.FromMinutes(10), 2));
            Assert.Equal(["12:20", "closed"], await AfterAsync(TimeSpan.FromMinutes(10), 2));
        });
    }

    [Fact]
    public async Task Values_are_supplied_to_the_scope_of_a_run()
    {
        await using Container container = new Wiring { Scoped.Incoming<Caller>() }.Build();
        JobSchedule schedule = new(container, (_, failure) => Task.FromException(failure), _time)
        { IncomingFor = job => [Incoming.Value(new Caller(job.Name))] };
        schedule.Every<Caller>(TimeSpan.FromMinutes(10), (caller, abort) => _ran.Writer.WriteAsync(caller.Name, abort).AsTask());

        await RunAsync(schedule, async () => Assert.Equal(["Caller"], await AfterAsync(TimeSpan.FromMinutes(10), 1)));
    }

    [Fact]
    public async Task Schedule_starts_with_the_warm_up_and_stops_with_the_wind_down()
    {
        Wiring wiring =
        [
            Singleton.From((Container own) =>
            {
                JobSchedule schedule = Schedule(own);
                schedule.Every<Invoicing>(TimeSpan.FromMinutes(10), (job, _) => job.RunAsync(Now()));
                return schedule;
            }).WarmUp((schedule, cancellationToken) => schedule.StartAsync(cancellationToken))
            .WindDown((schedule, cancellationToken) => schedule.StopAsync(cancellationToken)),
            .. Office,
        ];
        await using (Container container = wiring.Build())
        {
            await container.WarmUpAsync(Token);
            Assert.Equal(["closed"], (await AfterAsync(TimeSpan.FromMinutes(10), 2)).Skip(1));
        }

        _time.Advance(TimeSpan.FromMinutes(10));
        Assert.False(_ran.Reader.TryRead(out _));
    }

    [Fact]
    public async Task Runs_that_come_due_during_a_run_are_skipped()
    {
        await using Container container = Office.Build();
        JobSchedule schedule = Schedule(container);
        TaskCompletionSource go = new();
        schedule.Every<Invoicing>(TimeSpan.FromMinutes(10), async (job, _) =>
        {
            await job.RunAsync(Now());
            await go.Task;
        });

        await RunAsync(schedule, async () =>
        {
            Assert.Equal(["12:10"], await AfterAsync(TimeSpan.FromMinutes(10), 1));
            _time.Advance(TimeSpan.FromMinutes(25));
            Assert.False(_ran.Reader.TryRead(out _));
            go.SetResult();
            Assert.Equal(["closed"], await AfterAsync(TimeSpan.Zero, 1));
            Assert.Equal(["12:40", "closed"], await AfterAsync(TimeSpan.FromMinutes(5), 2));
        });
    }

    [Fact]
    public async Task A_job_runs_daily_at_its_time()
    {
        await using Container container = Office.Build();
        JobSchedule schedule = Schedule(container);
        schedule.Daily<Invoicing>(new TimeOnly(3, 0), (job, _) => job.RunAsync(Now()));

        await RunAsync(schedule, async () =>
        {
            Assert.Equal(["03:00", "closed"], await AfterAsync(TimeSpan.FromHours(15), 2));
            Assert.Equal(["03:00", "closed"], await AfterAsync(TimeSpan.FromHours(24), 2));
        });
    }

    [Theory]
    [InlineData("2027-03-28T00:00:00Z", "2027-03-28T01:30:00Z")]      // the clocks go from 02:00 to 03:00: 02:30 is not shown
    [InlineData("2027-10-31T00:00:00Z", "2027-10-31T00:30:00Z")]      // the clocks go from 03:00 back to 02:00: 02:30 is shown twice
    [InlineData("2027-05-04T00:00:00Z", "2027-05-04T00:30:00Z")]
    public async Task A_daily_job_runs_once_where_the_clocks_change(string start, string due)
    {
        FakeTimeProvider time = new(DateTimeOffset.Parse(start, provider: null));
        time.SetLocalTimeZone(Island);
        await using Container container = Office.Build();
        JobSchedule schedule = new(container, (_, failure) => throw failure, time);
        schedule.Daily<Invoicing>(new TimeOnly(2, 30), (job, _) => job.RunAsync("ran"));

        await RunAsync(schedule, async () =>
        {
            time.Advance(DateTimeOffset.Parse(due, provider: null) - time.GetUtcNow() - TimeSpan.FromSeconds(1));
            Assert.False(_ran.Reader.TryRead(out _));
            time.Advance(TimeSpan.FromSeconds(1));
            Assert.Equal("ran", await _ran.Reader.ReadAsync(Token));
            Assert.Equal("closed", await _ran.Reader.ReadAsync(Token));
            time.Advance(TimeSpan.FromHours(20));
            Assert.False(_ran.Reader.TryRead(out _));
        });
    }

    [Fact]
    public async Task Job_that_throws_is_reported_and_runs_again()
    {
        await using Container container = Office.Build();
        JobSchedule schedule = Schedule(container);
        schedule.Every<Invoicing>(TimeSpan.FromMinutes(1), (_, _) => throw new FormatException());
        schedule.Every<IClock>(TimeSpan.FromMinutes(1), (_, _) => Task.CompletedTask);

        await RunAsync(schedule, async () =>
        {
            for (int time = 0; time < 2; time++)
            {
                _time.Advance(TimeSpan.FromMinutes(1));
                (Type Job, Exception Failure)[] both = [await _failed.Reader.ReadAsync(Token), await _failed.Reader.ReadAsync(Token)];
                Assert.Equal(
                    [typeof(FormatException), typeof(ResolveException)],
                    both.Select(each => each.Failure.GetType()).OrderBy(type => type.Name));
                Assert.Equal([typeof(IClock), typeof(Invoicing)], both.Select(each => each.Job).OrderBy(type => type.Name));
            }
        });
    }

    [Fact]
    public async Task Schedule_completes_runs_on_stop_and_cancels_them_on_abort()
    {
        await using Container container = Office.Build();
        using CancellationTokenSource stop = new();
        using CancellationTokenSource abort = new();
        JobSchedule schedule = Schedule(container);
        schedule.Every<Invoicing>(TimeSpan.FromMinutes(1), async (job, cancellationToken) =>
        {
            await job.RunAsync("begun");
            await Task.Delay(Timeout.Infinite, cancellationToken);
        });

        Task running = schedule.RunAsync(stop.Token);
        Assert.Equal(["begun"], await AfterAsync(TimeSpan.FromMinutes(1), 1));
        await stop.CancelAsync();
        Assert.False(running.IsCompleted);
        Task stopping = schedule.StopAsync(abort.Token);
        await abort.CancelAsync();
        await stopping;
        await running;

        Assert.Equal("closed", await _ran.Reader.ReadAsync(Token));
        Assert.False(_failed.Reader.TryRead(out _));
    }

    [Fact]
    public async Task Exception_of_the_failure_callback_stops_the_schedule()
    {
        await using Container container = Office.Build();
        JobSchedule schedule = new(container, (_, failure) => throw new InvalidOperationException("no log", failure), _time);
        schedule.Every<IClock>(TimeSpan.FromMinutes(1), (_, _) => Task.CompletedTask);
        schedule.Every<Invoicing>(TimeSpan.FromDays(1), (_, _) => Task.CompletedTask);

        Task running = schedule.RunAsync(Token);
        _time.Advance(TimeSpan.FromMinutes(1));

        await Assert.ThrowsAsync<InvalidOperationException>(() => running);
    }

    [Fact]
    public async Task Jobs_are_added_before_the_start_with_a_positive_interval()
    {
        await using Container container = Office.Build();
        JobSchedule schedule = Schedule(container);

        Assert.Throws<ArgumentOutOfRangeException>(() => schedule.Every<Invoicing>(TimeSpan.Zero, (_, _) => Task.CompletedTask));
        await schedule.RunAsync(Token);
        Assert.Throws<InvalidOperationException>(() => schedule.Daily<Invoicing>(TimeOnly.MinValue, (_, _) => Task.CompletedTask));
        await Assert.ThrowsAsync<InvalidOperationException>(() => schedule.RunAsync(Token));
    }

    /// <summary>Its clocks show an hour more than those of Greenwich, and two in summer.</summary>
    private static TimeZoneInfo Island => TimeZoneInfo.CreateCustomTimeZone(
        "Island",
        TimeSpan.FromHours(1),
        "Island",
        "Island",
        "Island summer",
        [
            TimeZoneInfo.AdjustmentRule.CreateAdjustmentRule(
                DateTime.MinValue.Date,
                DateTime.MaxValue.Date,
                TimeSpan.FromHours(1),
                TimeZoneInfo.TransitionTime.CreateFloatingDateRule(new DateTime(1, 1, 1, 2, 0, 0), 3, 5, DayOfWeek.Sunday),
                TimeZoneInfo.TransitionTime.CreateFloatingDateRule(new DateTime(1, 1, 1, 3, 0, 0), 10, 5, DayOfWeek.Sunday)),
        ]);

    private JobSchedule Schedule(Container container) =>
        new(container, (job, failure) => _failed.Writer.WriteAsync((job, failure)).AsTask(), _time);

    private string Now() => $"{_time.GetUtcNow():HH:mm}";

    private async Task<IReadOnlyList<string>> AfterAsync(TimeSpan time, int count)
    {
        _time.Advance(time);
        List<string> ran = [];
        while (ran.Count < count)
        {
            ran.Add(await _ran.Reader.ReadAsync(Token));
        }

        return ran;
    }

    private static async Task RunAsync(JobSchedule schedule, Func<Task> test)
    {
        using CancellationTokenSource stop = new();
        Task running = schedule.RunAsync(stop.Token);
        await test();
        await stop.CancelAsync();
        await running;
    }

    public sealed class Page(Channel<string> ran) : IAsyncDisposable
    {
        public ValueTask DisposeAsync() => ran.Writer.WriteAsync("closed");
    }

    public sealed class Invoicing(Page page, Channel<string> ran)
    {
        public Task RunAsync(string line)
        {
            Assert.NotNull(page);
            return ran.Writer.WriteAsync(line, Token).AsTask();
        }
    }
}
