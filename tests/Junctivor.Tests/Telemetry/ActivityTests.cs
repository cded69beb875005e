using System.Diagnostics;
using System.Threading.Channels;

namespace Junctivor.Tests.Telemetry;

/// <summary>The source is one for the process, so each test hears what has a name of its own.</summary>
public sealed class ActivityTests : IDisposable
{
    private readonly Lock _gate = new();
    private readonly List<Activity> _stopped = [];
    private readonly ActivityListener _listener;

    public ActivityTests()
    {
        _listener = new ActivityListener
        {
            ShouldListenTo = source => source.Name == "Junctivor",
            Sample = (ref _) => ActivitySamplingResult.AllData,
            ActivityStopped = activity =>
            {
                lock (_gate)
                {
                    _stopped.Add(activity);
                }
            },
        };
        ActivitySource.AddActivityListener(_listener);
    }

    public void Dispose() => _listener.Dispose();

    [Fact]
    public void A_scope_is_an_activity_from_start_to_end_and_does_not_become_the_current_one()
    {
        ScopeLevel tide = new("spring tide");
        using Container container = new Wiring { tide.Of<SystemClock>() }.Build();
        using Activity around = new Activity("around").Start();

        Scope scope = container.StartScope(tide);
        Assert.Same(around, Activity.Current);
        Assert.Empty(Stopped("scope spring tide"));
        scope.Dispose();

        Assert.Same(around, Activity.Current);
        Activity seen = Assert.Single(Stopped("scope spring tide"));
        Assert.Equal((around.SpanId, "spring tide"), (seen.ParentSpanId, seen.GetTagItem("junctivor.level")));
    }

    [Fact]
    public void A_slow_construction_is_an_activity_of_its_scope_and_a_quick_one_is_none()
    {
        ScopeLevel tide = new("neap tide");
        Wiring wiring = [tide.Of<Dredger>()];
        using Container slow = wiring.Build(new BuildOptions { SlowConstruction = TimeSpan.Zero });
        using Container quick = wiring.Build(new BuildOptions { SlowConstruction = TimeSpan.FromDays(1) });

        using (Scope scope = slow.StartScope(tide))
        {
            scope.Resolve<Dredger>();
        }

        using (Scope scope = quick.StartScope(tide))
        {
            scope.Resolve<Dredger>();
        }

        Activity seen = Assert.Single(Stopped("construct ActivityTests.Dredger"));
        Assert.Contains(seen.ParentSpanId, Stopped("scope neap tide").Select(scope => scope.SpanId));
        Assert.Equal("neap tide", seen.GetTagItem("junctivor.lifetime"));
    }

    [Fact]
    public void Where_everything_counts_as_slow_each_construction_is_an_activity()
    {
        using Container container =
            new Wiring { Transient.Of<Coaster>() }.Build(
                new BuildOptions { SlowConstruction = TimeSpan.Zero, Compilation = PlanCompilation.Immediate });

        for (int time = 0; time < 3; time++)
        {
            container.Resolve<Coaster>();
        }

        Assert.Equal(3, Stopped("construct ActivityTests.Coaster").Count);
    }

    [Fact]
    public async Task Handling_belongs_to_the_activity_of_its_scope()
    {
        await using Container container = new Wiring { Scoped.Of<IMessageHandler<Signal>, Watchman>() }.Build();
        Channel<Signal> signals = Channel.CreateUnbounded<Signal>();
        Signal first = new();
        Signal second = new();
        await signals.Writer.WriteAsync(first, TestContext.Current.CancellationToken);
        await signals.Writer.WriteAsync(second, TestContext.Current.CancellationToken);
        signals.Writer.Complete();

        await new MessagePump<Signal>(container, signals.Reader, (_, failure) => Task.FromException(failure))
            .RunAsync(TestContext.Current.CancellationToken);

        Assert.Equal(("scope scoped", "scope scoped"), (first.Seen!.OperationName, second.Seen!.OperationName));
        Assert.NotEqual(first.Seen.SpanId, second.Seen.SpanId);
        Assert.True(first.Seen.IsStopped);
    }

    private List<Activity> Stopped(string name)
    {
        lock (_gate)
        {
            return [.. _stopped.Where(activity => activity.OperationName == name)];
        }
    }

    public sealed class Coaster;

    public sealed class Dredger;

    public sealed class Signal
    {
        public Activity? Seen { get; set; }
    }

    public sealed class Watchman : IMessageHandler<Signal>
    {
        public Task HandleAsync(Signal message, CancellationToken cancellationToken)
        {
            message.Seen = Activity.Current;
            return Task.CompletedTask;
        }
    }
}
