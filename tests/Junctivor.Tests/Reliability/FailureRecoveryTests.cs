using System.Threading.Channels;

namespace Junctivor.Tests.Reliability;

/// <summary>Whatever fails, and whenever: what was created is disposed once, and every reason is told.</summary>
public class FailureRecoveryTests
{
    private static CancellationToken Token => TestContext.Current.CancellationToken;

    private static readonly string[] Once = ["made", "ended"];

    private readonly List<string> _log = [];

    public static TheoryData<PlanCompilation> Compilations => [.. Enum.GetValues<PlanCompilation>()];

    [Theory]
    [InlineData(true, true)]
    [InlineData(true, false)]
    [InlineData(false, true)]
    [InlineData(false, false)]
    public async Task What_is_created_in_a_scope_that_ends_meanwhile_is_disposed_at_once(bool isShared, bool isAsynchronous)
    {
        using ManualResetEventSlim hasBegun = new();
        using ManualResetEventSlim goOn = new();
        await using Container container = new Wiring
        {
            Singleton.Value(_log),
            Transient.Of<OnlyLater>(),
            isShared ? Scoped.From<OnlyLater, SystemClock>(Make) : Transient.From<OnlyLater, SystemClock>(Make),
        }.Build();
        Scope scope = container.StartScope();
        Task<Exception?> making = Task.Run(() => Record.Exception(scope.Resolve<SystemClock>), TestContext.Current.CancellationToken);
        hasBegun.Wait(TestContext.Current.CancellationToken);

        if (isAsynchronous)
        {
            await scope.DisposeAsync();
        }
        else
        {
            scope.Dispose();
        }

        goOn.Set();

        Assert.IsType<ObjectDisposedException>(await making);
        Assert.Equal(Once, _log);

        SystemClock Make(OnlyLater needed)
        {
            hasBegun.Set();
            goOn.Wait();
            return new SystemClock();
        }
    }

    [Theory]
    [MemberData(nameof(Compilations))]
    public async Task What_can_end_only_asynchronously_begins_to_end_where_its_taker_fails_and_the_scope_waits_for_it(
        PlanCompilation compilation)
    {
        TaskCompletionSource goOn = new();
        await using Container container = new Wiring
        {
            Singleton.Value(_log),
            Singleton.Value<Task>(goOn.Task),
            Transient.Of<Lingering>(),
            Transient.Of<Failing<Lingering>>(),
        }.Build(new BuildOptions { Compilation = compilation });
        Scope scope = container.StartScope();

        Assert.Throws<ConstructionException>(scope.Resolve<Failing<Lingering>>);

        Assert.Equal(["ending"], _log);
        Task end = scope.DisposeAsync().AsTask();
        Assert.False(end.IsCompleted);
        goOn.SetResult();
        await end;
        Assert.Equal(["ending", "ended"], _log);
    }

    [Fact]
    public void A_synchronous_end_is_not_troubled_by_what_a_failed_constructor_left()
    {
        using Container container =
            new Wiring { Singleton.Value(_log), Transient.Of<OnlyLater>(), Transient.Of<Failing<OnlyLater>>() }.Build();
        Scope scope = container.StartScope();
        Assert.Throws<ConstructionException>(scope.Resolve<Failing<OnlyLater>>);

        scope.Dispose();

        Assert.Equal(Once, _log);
    }

    [Fact]
    public async Task What_was_created_for_an_asynchronous_factory_ends_when_it_fails()
    {
        int tries = 0;
        Container container = new Wiring
        {
            Singleton.Value(_log),
            Transient.Of<OnlyLater>(),
            Singleton.FromAsync(async (OnlyLater needed) =>
            {
                await Task.Yield();
                return ++tries < 3 ? throw new InvalidOperationException($"try {tries}") : new SystemClock();
            }),
        }.Build();

        await Assert.ThrowsAsync<WarmUpException>(() => container.WarmUpAsync(TestContext.Current.CancellationToken));
        await Assert.ThrowsAsync<WarmUpException>(() => container.WarmUpAsync(TestContext.Current.CancellationToken));
        Assert.Equal([.. Once, .. Once], _log);

        await container.WarmUpAsync(TestContext.Current.CancellationToken);
        Assert.Equal([.. Once, .. Once, "made"], _log);

        await container.DisposeAsync();
        Assert.Equal([.. Once, .. Once, .. Once], _log);
    }

    [Theory]
    [MemberData(nameof(Compilations))]
    public void An_object_whose_setter_throws_is_disposed(PlanCompilation compilation)
    {
        using Container container =
            new Wiring { Singleton.Value(_log), Transient.Of<Unfinished>(), Transient.Of<Unfinished>().Marked("mine").LeaveUndisposed() }
            .Build(new BuildOptions { Compilation = compilation });
        for (int time = 1; time <= 3; time++)
        {
            Assert.Throws<ConstructionException>(container.Resolve<Unfinished>);
            Assert.Equal(time, _log.Count);
        }

        Assert.Throws<ConstructionException>(() => container.Resolve<Unfinished>("mine"));
        Assert.Equal(3, _log.Count);

        Assert.Throws<ConstructionException>(() => container.Construct<Unfinished>());
        Assert.Equal(4, _log.Count);
    }

    [Fact]
    public async Task What_cannot_be_lent_reports_why_and_leaves_nothing_behind()
    {
        await using Container container =
            new Wiring { Singleton.Value(_log), Scoped.Of<OnlyLater>(), Transient.Of<Failing<OnlyLater>>() }.Build();

        Assert.Equal("the cause", Assert.Throws<ConstructionException>(() => container.Lend<Failing<OnlyLater>>()).InnerException!.Message);
        Assert.Equal(Once, _log);

        Assert.Equal(
            "the cause",
            (await Assert.ThrowsAsync<ConstructionException>(
                async () => await container.LendAsync<Failing<OnlyLater>>(cancellationToken: Token))).InnerException!.Message);
        Assert.Equal([.. Once, .. Once], _log);

        FreshScope<Failing<OnlyLater>> fresh = container.Resolve<FreshScope<Failing<OnlyLater>>>();
        Assert.Equal("the cause", Assert.Throws<ConstructionException>(() => fresh.Run(_ => { })).InnerException!.Message);
        Assert.Equal([.. Once, .. Once, .. Once], _log);
    }

    [Fact]
    public async Task What_the_end_of_a_failed_loan_throws_is_reported_with_the_reason()
    {
        await using Container container = new Wiring { Scoped.Of<BadEnd>(), Transient.Of<Failing<BadEnd>>() }.Build();

        ConstructionException thrown = Assert.Throws<ConstructionException>(() => container.Lend<Failing<BadEnd>>());

        Assert.Equal("the end", Assert.Single(thrown.DisposalFailures).Message);
        Assert.EndsWith(
            "Disposing what had been created for it failed too: InvalidOperationException: the end", thrown.Message,
            StringComparison.Ordinal);
    }

    [Fact]
    public void What_can_end_only_asynchronously_is_named_where_a_fresh_scope_runs_synchronously()
    {
        using Container container = new Wiring { Singleton.Value(_log), Scoped.Of<OnlyLater>() }.Build();

        AggregateException thrown = Assert.Throws<AggregateException>(() => container.Resolve<FreshScope<OnlyLater>>().Run(_ => "done"));

        Assert.Equal(
            "FailureRecoveryTests.OnlyLater can be disposed only asynchronously. Disposal was started, and is not awaited: call the "
                + "asynchronous method instead.",
            Assert.Single(thrown.InnerExceptions).Message);
        Assert.Equal(Once, _log);
    }

    [Fact]
    public async Task Where_the_work_and_the_end_of_its_scope_throw_both_are_reported_the_works_first()
    {
        await using Container container = new Wiring { Scoped.Of<BadEnd>() }.Build();
        FreshScope<BadEnd> fresh = container.Resolve<FreshScope<BadEnd>>();

        AssertBoth(Assert.Throws<AggregateException>(() => fresh.Run(void (_) => throw new InvalidOperationException("the cause"))));
        AssertBoth(Assert.Throws<AggregateException>(() => fresh.Run(int (_) => throw new InvalidOperationException("the cause"))));
        AssertBoth(
            await Assert.ThrowsAsync<AggregateException>(
                () => fresh.RunAsync(Task (_) => throw new InvalidOperationException("the cause"), cancellationToken: Token)));
        AssertBoth(await Assert.ThrowsAsync<AggregateException>(() => fresh.RunAsync(
            async Task<int> (_) =>
            {
                await Task.Yield();
                throw new InvalidOperationException("the cause");
            },
            cancellationToken: Token)));
    }

    [Fact]
    public async Task Failures_of_a_handler_and_of_its_scope_are_both_reported()
    {
        await using Container container = new Wiring { Scoped.Of<BadEnd>(), Scoped.Of<IMessageHandler<string>, Receiver>() }.Build();
        Channel<string> messages = Channel.CreateUnbounded<string>();
        messages.Writer.TryWrite("ahoy");
        messages.Writer.Complete();
        List<Exception> told = [];

        await new MessagePump<string>(container, messages.Reader, (_, failure) =>
        {
            told.Add(failure);
            return Task.CompletedTask;
        }).RunAsync(TestContext.Current.CancellationToken);

        AssertBoth(Assert.Single(told));
    }

    [Fact]
    public async Task A_disposal_that_throws_behind_a_start_that_failed_is_reported()
    {
        await using Container container = new Wiring
        {
            Scoped.Of<BadEnd>(),
            Scoped.FromAsync((BadEnd needed) => Task.FromException<SystemClock>(new InvalidOperationException("the cause"))),
        }.Build();

        ConstructionException thrown = await Assert.ThrowsAsync<ConstructionException>(
            async () => await container.StartScopeAsync(cancellationToken: Token));

        Assert.Equal("the cause", thrown.InnerException!.Message);
        Assert.Equal("the end", Assert.Single(thrown.DisposalFailures).Message);
    }

    [Fact]
    public void A_disposal_that_throws_behind_a_refusal_is_reported()
    {
        using Container container =
            new Wiring
            {
                Transient.Of<BadEnd>(), Scoped.Incoming<Caller>(), Transient.From((BadEnd first, Caller then) => new SystemClock()),
            }.Build();
        using Scope scope = container.StartScope();

        ResolveException thrown = Assert.Throws<ResolveException>(scope.Resolve<SystemClock>);

        Assert.Equal("JV105", thrown.Fault.Code);
        Assert.Equal("the end", Assert.Single(thrown.DisposalFailures).Message);
        Assert.EndsWith("InvalidOperationException: the end", thrown.Message, StringComparison.Ordinal);
    }

    [Fact]
    public void An_observer_that_throws_loses_nothing()
    {
        Container container = new Wiring { Singleton.Value(_log), Transient.Of<Ending>() }.Build();
        using (container.Observe(happened => throw new InvalidOperationException("blind")))
        {
            Assert.Throws<ConstructionException>(container.Resolve<Ending>);
        }

        Assert.Equal(["ended"], _log);
        container.Dispose();
        Assert.Equal(["ended"], _log);
    }

    [Fact]
    public async Task A_class_whose_static_constructor_throws_says_so_each_time()
    {
        await using Container container =
            new Wiring { Scoped.Of<Ashore>(), Scoped.Of<Page>() }.Build(new BuildOptions { Compilation = PlanCompilation.Immediate });
        for (int time = 0; time < 5; time++)
        {
            using Scope scope = container.StartScope();

            for (int again = 0; again < 2; again++)
            {
                Assert.Equal("no such file", Assert.Throws<ConstructionException>(scope.Resolve<Page>).GetBaseException().Message);
                Assert.Equal("no such file", Assert.Throws<ConstructionException>(scope.Resolve<Ashore>).GetBaseException().Message);
            }
        }
    }

    [Fact]
    public void A_message_that_cannot_be_read_takes_nothing_away()
    {
        using Container container = new Wiring { Transient.From(SystemClock () => throw new Mute()) }.Build();

        ConstructionException thrown = Assert.Throws<ConstructionException>(container.Resolve<SystemClock>);

        Assert.StartsWith(
            "SystemClock could not be created: Mute: (reading the message threw NotSupportedException)", thrown.Message,
            StringComparison.Ordinal);
    }

    private static void AssertBoth(Exception told) =>
        Assert.Equal(["the cause", "the end"], Assert.IsType<AggregateException>(told).InnerExceptions.Select(each => each.Message));

    public sealed class OnlyLater : IAsyncDisposable
    {
        private readonly List<string> _log;

        public OnlyLater(List<string> log)
        {
            _log = log;
            log.Add("made");
        }

        public ValueTask DisposeAsync()
        {
            _log.Add("ended");
            return ValueTask.CompletedTask;
        }
    }

    public sealed class Lingering(List<string> log, Task goOn) : IAsyncDisposable
    {
        public async ValueTask DisposeAsync()
        {
            log.Add("ending");
            await goOn;
            log.Add("ended");
        }
    }

    public sealed class Failing<T>
    {
        public Failing(T needed) => throw new InvalidOperationException(needed is null ? "nothing" : "the cause");
    }

    public sealed class Unfinished(List<string> log) : IDisposable
    {
        [Inject]
        public List<string> Log
        {
            set => throw new InvalidOperationException($"setter {value.Count}");
        }

        public void Dispose() => log.Add("ended");
    }

    public sealed class BadEnd : IDisposable
    {
        public void Dispose() => throw new InvalidOperationException("the end");
    }

    public sealed class Ending(List<string> log) : IDisposable
    {
        public void Dispose() => log.Add("ended");
    }

    public sealed class Receiver(BadEnd bad) : IMessageHandler<string>
    {
        public Task HandleAsync(string message, CancellationToken cancellationToken) =>
            throw new InvalidOperationException(bad is null ? "nothing" : "the cause");
    }

    public sealed class Ashore
    {
        private static readonly string Text = Read();

        static Ashore()
        {
        }

        public override string ToString() => Text;

        private static string Read() => throw new FileNotFoundException("no such file");
    }

    public sealed record Page(Ashore Ashore);

    public sealed class Mute : Exception
    {
        public override string Message => throw new NotSupportedException();
    }
}
