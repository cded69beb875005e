using Junctivor.Checks;

namespace Junctivor.Tests.Runtime;

public class ConcurrencyTests
{
    private const int Threads = 8;

    [Fact]
    public async Task Singleton_is_created_once_for_eight_threads()
    {
        int made = 0;
        using Barrier start = new(Threads);
        using Container container = new Wiring { Singleton.From(() => new Made(Interlocked.Increment(ref made))) }.Build();

        Made[] seen = await OnAllThreads(() =>
        {
            start.SignalAndWait(TestContext.Current.CancellationToken);
            return container.Resolve<Made>();
        });

        Assert.Equal(1, made);
        Assert.All(seen, one => Assert.Same(seen[0], one));
    }

    [Fact]
    public async Task Scoped_service_is_created_once_for_eight_threads()
    {
        int made = 0;
        using Barrier start = new(Threads);
        using Container container = new Wiring { Scoped.From(() => new Made(Interlocked.Increment(ref made))) }.Build();
        using Scope scope = container.StartScope();

        Made[] seen = await OnAllThreads(() =>
        {
            start.SignalAndWait(TestContext.Current.CancellationToken);
            return scope.Resolve<Made>();
        });

        Assert.Equal(1, made);
        Assert.All(seen, one => Assert.Same(seen[0], one));
    }

    [Fact]
    public async Task A_slow_singleton_does_not_delay_others()
    {
        using ManualResetEventSlim begun = new();
        using ManualResetEventSlim goOn = new();
        using Container container = new Wiring
        {
            Singleton.From(() =>
            {
                begun.Set();
                goOn.Wait();
                return new Made(1);
            }),
            Singleton.Of<IClock, SystemClock>(),
        }.Build();
        Task<Made> slow = OnThread(container.Resolve<Made>);
        begun.Wait(TestContext.Current.CancellationToken);

        Assert.NotNull(container.Resolve<IClock>());

        goOn.Set();
        Assert.Equal(1, (await slow).Number);
    }

    [Fact]
    public async Task A_caller_that_waits_for_a_failing_construction_tries_itself()
    {
        int tries = 0;
        using ManualResetEventSlim begun = new();
        using ManualResetEventSlim goOn = new();
        using Container container = new Wiring
        {
            Singleton.From(() =>
            {
                if (Interlocked.Increment(ref tries) > 1)
                {
                    return new Made(tries);
                }

                begun.Set();
                goOn.Wait();
                throw new InvalidOperationException("low tide");
            }),
        }.Build();
        Task<Made> first = OnThread(container.Resolve<Made>);
        begun.Wait(TestContext.Current.CancellationToken);
        Task<Made> second = OnThread(container.Resolve<Made>);

        goOn.Set();

        await Assert.ThrowsAsync<ConstructionException>(() => first);
        Assert.Equal(2, (await second).Number);
    }

    [Fact]
    public async Task Two_threads_that_would_wait_for_each_other_are_reported()
    {
        using Barrier meeting = new(2);
        using Container container = new Wiring
        {
            Singleton.From((Lazy<East> east) => new West(meeting, east)),
            Singleton.From((Lazy<West> west) => new East(meeting, west)),
        }.Build();

        Task<West> west = OnThread(container.Resolve<West>);
        Task<East> east = OnThread(container.Resolve<East>);
        Exception?[] thrown = await Task.WhenAll(Record.ExceptionAsync(() => west).AsTask(), Record.ExceptionAsync(() => east).AsTask());

        ResolveException[] told = [.. thrown.OfType<ResolveException>()];
        Assert.NotEmpty(told);
        Assert.All(told, exception => Assert.Equal("JV201", Assert.Single(exception.Report.Errors).Code));
        Fault fault = told[0].Report.Errors[0];
        Assert.Contains("ConcurrencyTests.West", fault.Candidates);
        Assert.Contains("ConcurrencyTests.East", fault.Candidates);
    }

    [Fact]
    public void A_constructor_that_waits_for_a_thread_which_requires_the_same_ends_with_the_reason()
    {
        Resolver? asked = null;
        Func<Made> waiting = () => OnThread(() => asked!.Resolve<Harbour>()).GetAwaiter().GetResult().Made;
        BuildOptions options = new() { ConstructionTimeout = TimeSpan.FromMilliseconds(100) };
        using Container container = new Wiring { Singleton.From(waiting), Singleton.Of<Harbour>() }.Build(options);
        using Container scoping = new Wiring { Scoped.From(waiting), Scoped.Of<Harbour>() }.Build(options);
        using Scope scope = scoping.StartScope();

        foreach (Resolver each in new Resolver[] { container, scope })
        {
            asked = each;
            ConstructionException failure = Assert.Throws<ConstructionException>(each.Resolve<Made>);

            ConstructionTimeoutException timeout = Assert.IsType<ConstructionTimeoutException>(failure.GetBaseException());
            Assert.Equal("ConcurrencyTests.Made", timeout.Service);
            Assert.Equal(options.ConstructionTimeout, timeout.Limit);
            Assert.StartsWith(
                "ConcurrencyTests.Made was not ready after 0.1 s: another thread is creating it. It is required by "
                    + "ConcurrencyTests.Harbour.", timeout.Message, StringComparison.Ordinal);
            Assert.Contains("increase BuildOptions.ConstructionTimeout", timeout.Message, StringComparison.Ordinal);
        }
    }

    [Fact]
    public void The_longest_wait_is_a_time_or_for_ever()
    {
        Assert.Equal(Timeout.InfiniteTimeSpan, new BuildOptions { ConstructionTimeout = Timeout.InfiniteTimeSpan }.ConstructionTimeout);
        Assert.Throws<ArgumentOutOfRangeException>(() => new BuildOptions { ConstructionTimeout = TimeSpan.FromSeconds(-2) });
        Assert.Throws<ArgumentOutOfRangeException>(() => new BuildOptions { ConstructionTimeout = TimeSpan.FromDays(30) });
    }

    [Fact]
    public async Task A_lazy_cycle_resolves_from_several_threads_at_once()
    {
        for (int round = 0; round < 50; round++)
        {
            using Barrier start = new(Threads);
            using Container container = new Wiring { Singleton.Of<Ebb>(), Singleton.Of<Flood>() }.Build();
            int thread = 0;

            (Ebb Ebb, Flood Flood)[] seen = await OnAllThreads(() =>
            {
                bool ebbFirst = Interlocked.Increment(ref thread) % 2 == 0;
                start.SignalAndWait(TestContext.Current.CancellationToken);
                Ebb ebb = ebbFirst ? container.Resolve<Ebb>() : container.Resolve<Flood>().Ebb;
                return (ebb, ebb.Flood.Value);
            });

            Assert.Single(seen.Distinct());
        }
    }

    [Fact]
    public async Task What_is_first_requested_at_run_time_is_read_by_several_threads_at_once()
    {
        for (int round = 0; round < 20; round++)
        {
            using Barrier start = new(Threads);
            using Container container = new Wiring
            {
                Singleton.Of<IClock, SystemClock>(),
                Singleton.Of(typeof(Registering.GenericTests.IArchive<>), typeof(Registering.GenericTests.NeedyShelf<>)),
            }.Build();

            (object, object, object, IClock)[] seen = await OnAllThreads<(object, object, object, IClock)>(() =>
            {
                start.SignalAndWait(TestContext.Current.CancellationToken);
                return (
                    container.Resolve<Registering.GenericTests.IArchive<int>>(),
                    container.Resolve<Registering.GenericTests.IArchive<string>>(),
                    container.Resolve<IReadOnlyList<Registering.GenericTests.IArchive<long>>>()[0],
                    container.Construct<FunctionTests.Ticket>("Heron", 1, 2).Clock);
            });

            Assert.Single(seen.Distinct());
        }
    }

    private static Task<T[]> OnAllThreads<T>(Func<T> work) => Task.WhenAll(Enumerable.Range(0, Threads).Select(_ => OnThread(work)));

    private static Task<T> OnThread<T>(Func<T> work) =>
        Task.Factory.StartNew(work, TestContext.Current.CancellationToken, TaskCreationOptions.LongRunning, TaskScheduler.Default);

    public sealed record Made(int Number);

    public sealed class West
    {
        public West(Barrier meeting, Lazy<East> east)
        {
            if (meeting.CurrentPhaseNumber == 0)
            {
                meeting.SignalAndWait();
            }

            _ = east.Value;
        }
    }

    public sealed class East
    {
        public East(Barrier meeting, Lazy<West> west)
        {
            if (meeting.CurrentPhaseNumber == 0)
            {
                meeting.SignalAndWait();
            }

            _ = west.Value;
        }
    }

    public sealed record Harbour(Made Made);

    public sealed class Ebb(Lazy<Flood> flood)
    {
        public Lazy<Flood> Flood { get; } = flood;
    }

    public sealed class Flood(Ebb ebb)
    {
        public Ebb Ebb { get; } = ebb;
    }
}
