namespace Junctivor.Tests.Reliability;

/// <summary>However many end a container or a scope, and when: there is one end, and all of them get it.</summary>
public class ConcurrentDisposalTests
{
    private readonly TaskCompletionSource _goOn = new(TaskCreationOptions.RunContinuationsAsynchronously);

    [Fact]
    public async Task A_caller_that_ends_a_container_while_it_ends_gets_the_same_end()
    {
        Container container = new Wiring { Singleton.From(() => new Slow(_goOn.Task)) }.Build();
        container.Resolve<Slow>();

        Task[] ends = [container.DisposeAsync().AsTask(), container.DisposeAsync().AsTask(), container.DisposeAsync().AsTask()];

        Assert.All(ends, end => Assert.False(end.IsCompleted));
        _goOn.SetException(new InvalidOperationException("aground"));
        foreach (Task end in ends)
        {
            AggregateException thrown = await Assert.ThrowsAsync<AggregateException>(() => end);
            Assert.Equal("aground", Assert.Single(thrown.InnerExceptions).Message);
        }

        await container.DisposeAsync();
    }

    [Fact]
    public async Task A_caller_that_ends_a_scope_while_it_ends_gets_the_same_end()
    {
        await using Container container = new Wiring { Scoped.From(() => new Slow(_goOn.Task)) }.Build();
        Scope scope = container.StartScope();
        scope.Resolve<Slow>();

        Task[] ends = [scope.DisposeAsync().AsTask(), scope.DisposeAsync().AsTask()];

        Assert.All(ends, end => Assert.False(end.IsCompleted));
        _goOn.SetException(new InvalidOperationException("aground"));
        foreach (Task end in ends)
        {
            AggregateException thrown = await Assert.ThrowsAsync<AggregateException>(() => end);
            Assert.Equal("aground", Assert.Single(thrown.InnerExceptions).Message);
        }

        await scope.DisposeAsync();
    }

    [Theory]
    [InlineData(PlanCompilation.Immediate)]
    [InlineData(PlanCompilation.Never)]
    public async Task A_caller_that_comes_while_another_thread_ends_a_scope_synchronously_waits_for_it(PlanCompilation compilation)
    {
        await using Container container = new Wiring { Scoped.Of<Blocking>() }.Build(new BuildOptions { Compilation = compilation });
        for (int time = 0; time < 3; time++)
        {
            Scope scope = container.StartScope();
            Blocking blocking = scope.Resolve<Blocking>();
            Task first = Task.Run(scope.Dispose, TestContext.Current.CancellationToken);
            blocking.HasBegun.Wait(TestContext.Current.CancellationToken);

            Task second = scope.DisposeAsync().AsTask();

            Assert.False(second.IsCompleted);
            blocking.GoOn.Set();
            await first;
            await second;
        }
    }

    [Fact]
    public async Task Many_threads_end_a_container_once_beside_its_warm_up_and_wind_down()
    {
        for (int round = 0; round < 200; round++)
        {
            int ended = 0;
            int up = 0;
            int down = 0;
            Container container = new Wiring
            {
                Singleton.From(() => new Counting(() => ended++))
                    .WarmUp(async (_, _) =>
                    {
                        await Task.Yield();
                        up++;
                    })
                    .WindDown(async (_, _) =>
                    {
                        await Task.Yield();
                        down++;
                    }),
            }.Build();
            using Barrier start = new(5);
            Func<Task>[] calls = [() => container.WarmUpAsync(), () => container.WarmUpAsync(), () => container.WindDownAsync(),
                () => container.DisposeAsync().AsTask(), () => container.DisposeAsync().AsTask()];
            Exception?[] thrown = await Task.WhenAll(calls.Select(call => Task.Factory.StartNew(
                async () =>
                {
                    start.SignalAndWait(TestContext.Current.CancellationToken);
                    return await Record.ExceptionAsync(call);
                },
                TestContext.Current.CancellationToken,
                TaskCreationOptions.LongRunning,
                TaskScheduler.Default).Unwrap()));

            Assert.All(
                thrown.OfType<Exception>(),
                exception => Assert.Equal(nameof(Container), Assert.IsType<ObjectDisposedException>(exception).ObjectName));
            Assert.All(thrown[3..], Assert.Null);
            Assert.Equal(up, down);
            Assert.Equal(up > 0 ? 1 : ended, ended);
        }
    }

    [Fact]
    public async Task A_container_that_ends_while_it_warms_up_winds_down_what_became_warm()
    {
        List<string> told = [];
        TaskCompletionSource hasBegun = new();
        Container container = new Wiring
        {
            Singleton.Of<object>()
                .WarmUp(async (_, _) =>
                {
                    hasBegun.SetResult();
                    await _goOn.Task;
                })
                .WindDown((_, _) =>
                {
                    told.Add("wound down");
                    return Task.CompletedTask;
                }),
        }.Build();
        Task warming = container.WarmUpAsync(TestContext.Current.CancellationToken);
        await hasBegun.Task;

        container.Dispose();
        _goOn.SetResult();

        await Assert.ThrowsAsync<ObjectDisposedException>(() => warming);
        Assert.Equal(["wound down"], told);
    }

    [Fact]
    public async Task Warm_up_work_that_waits_for_the_warm_up_is_refused()
    {
        await using Container container = new Wiring
        {
            Singleton.From((Container own) => new Asking(own))
                .Accept("JV502", "It is the test.")
                .WarmUp((asking, stop) => asking.Container.WarmUpAsync(stop)),
        }.Build();

        WarmUpException thrown =
            await Assert.ThrowsAsync<WarmUpException>(() => container.WarmUpAsync(TestContext.Current.CancellationToken));

        Assert.Contains(
            "The warm-up of ConcurrentDisposalTests.Asking calls WarmUpAsync, which waits for that warm-up",
            Assert.IsType<InvalidOperationException>(thrown.InnerException).Message, StringComparison.Ordinal);
    }

    [Fact]
    public async Task Wind_down_work_that_waits_for_the_disposal_is_refused()
    {
        Container container = new Wiring
        {
            Singleton.From((Container own) => new Asking(own)).Accept("JV502", "It is the test.").WindDown(async (asking, _) =>
            {
                await Task.Yield();
                await asking.Container.DisposeAsync();
            }),
        }.Build();
        await container.WarmUpAsync(TestContext.Current.CancellationToken);

        AggregateException thrown = await Assert.ThrowsAsync<AggregateException>(async () => await container.DisposeAsync());

        Assert.Contains(
            "calls DisposeAsync, which waits for that wind-down", Assert.Single(thrown.InnerExceptions).Message, StringComparison.Ordinal);
    }

    [Fact]
    public async Task What_warm_up_work_leaves_behind_may_end_the_container()
    {
        Task ending = Task.CompletedTask;
        Container container = new Wiring
        {
            Singleton.From((Container own) => new Asking(own)).Accept("JV502", "It is the test.").WarmUp((asking, _) =>
            {
                ending = EndLaterAsync(asking.Container);
                return Task.CompletedTask;
            }),
        }.Build();
        await container.WarmUpAsync(TestContext.Current.CancellationToken);
        _goOn.SetResult();

        await ending;

        Assert.Throws<ObjectDisposedException>(container.Resolve<Asking>);

        async Task EndLaterAsync(Container own)
        {
            await _goOn.Task;
            await own.DisposeAsync();
        }
    }

    [Theory]
    [InlineData(PlanCompilation.Immediate, false)]
    [InlineData(PlanCompilation.Immediate, true)]
    [InlineData(PlanCompilation.Never, false)]
    [InlineData(PlanCompilation.Never, true)]
    public async Task A_service_that_ends_its_own_scope_when_it_is_disposed_does_not_wait_for_itself(
        PlanCompilation compilation, bool isLater)
    {
        await using Container container =
            new Wiring { Scoped.Of<EndsItsOwn>().Accept("JV502", "It is the test."), Singleton.Value(isLater) }.Build(
                new BuildOptions { Compilation = compilation });
        for (int time = 0; time < 3; time++)
        {
            Scope scope = container.StartScope();
            EndsItsOwn own = scope.Resolve<EndsItsOwn>();

            await scope.DisposeAsync();

            Assert.Equal(1, own.Ends);
        }
    }

    [Fact]
    public async Task A_service_that_ends_the_container_when_it_is_disposed_does_not_wait_for_itself()
    {
        Container container = new Wiring
        {
            Singleton.From((Container own) => new EndsTheContainer(own)).Accept("JV502", "It is the test."),
        }.Build();
        EndsTheContainer ending = container.Resolve<EndsTheContainer>();

        await container.DisposeAsync();

        Assert.Equal(1, ending.Ends);
    }

    [Theory]
    [InlineData(PlanCompilation.InBackground)]
    [InlineData(PlanCompilation.Immediate)]
    [InlineData(PlanCompilation.Never)]
    public async Task What_can_end_only_asynchronously_ends_in_order_after_a_synchronous_end_too(PlanCompilation compilation)
    {
        List<string> ended = [];
        await using Container container =
            new Wiring { Singleton.Value(ended), Scoped.Of<First>(), Scoped.Of<Second>() }.Build(
                new BuildOptions { Compilation = compilation });
        for (int time = 0; time < 5; time++)
        {
            ended.Clear();
            Scope scope = container.StartScope();
            scope.Resolve<Second>();
            Assert.Contains(
                "ConcurrentDisposalTests.Second, ConcurrentDisposalTests.First", Assert.Throws<AggregateException>(scope.Dispose).Message,
                StringComparison.Ordinal);
            scope.Dispose();

            await scope.DisposeAsync();

            Assert.Equal(["Second", "First"], ended);
        }
    }

    public sealed class Slow(Task goOn) : IAsyncDisposable
    {
        public async ValueTask DisposeAsync() => await goOn;
    }

    public sealed class Blocking : IDisposable
    {
        public ManualResetEventSlim HasBegun { get; } = new();

        public ManualResetEventSlim GoOn { get; } = new();

        public void Dispose()
        {
            HasBegun.Set();
            GoOn.Wait();
        }
    }

    public sealed class Counting(Action ended) : IDisposable
    {
        public void Dispose() => ended();
    }

    public sealed record Asking(Container Container);

    public sealed class EndsItsOwn(Scope scope, bool isLater) : IAsyncDisposable
    {
        public int Ends { get; private set; }

        public async ValueTask DisposeAsync()
        {
            Ends++;
            if (isLater)
            {
                await Task.Yield();
            }

            await scope.DisposeAsync();
        }
    }

    public sealed class EndsTheContainer(Container container) : IAsyncDisposable
    {
        public int Ends { get; private set; }

        public async ValueTask DisposeAsync()
        {
            Ends++;
            await Task.Yield();
            await container.DisposeAsync();
        }
    }

    public sealed class First(List<string> ended) : IAsyncDisposable
    {
        private readonly List<string> _ended = ended;

        public ValueTask DisposeAsync()
        {
            _ended.Add("First");
            return ValueTask.CompletedTask;
        }
    }

    public sealed class Second(First first, List<string> ended) : IAsyncDisposable
    {
        private readonly First _first = first;
        private readonly List<string> _ended = ended;

        public ValueTask DisposeAsync()
        {
            _ended.Add("Second");
            return ValueTask.CompletedTask;
        }

        public override string ToString() => $"{_first}";
    }
}
