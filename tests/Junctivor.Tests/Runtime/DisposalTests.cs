namespace Junctivor.Tests.Runtime;

public class DisposalTests
{
    private readonly List<string> _ended = [];

    [Fact]
    public void What_was_created_ends_in_reverse_order_of_creation()
    {
        Container container = new Wiring
        {
            Singleton.Value(_ended),
            Singleton.Of<Base>(),
            Transient.Of<Tool>(),
            Singleton.Of<Worker>(),
            Scoped.Of<Visit>(),
        }.Build();
        Scope scope = container.StartScope();
        scope.Resolve<Visit>();

        scope.Dispose();
        Assert.Equal(["Visit", "Tool"], _ended);

        container.Dispose();
        Assert.Equal(["Visit", "Tool", "Worker", "Tool", "Base"], _ended);
    }

    [Fact]
    public async Task Where_both_exist_the_asynchronous_end_is_taken()
    {
        Container container = new Wiring { Singleton.Value(_ended), Singleton.Of<Both>() }.Build();
        container.Resolve<Both>();

        await container.DisposeAsync();

        Assert.Equal(["Both, asynchronously"], _ended);
    }

    [Fact]
    public async Task Every_one_is_tried_and_all_failures_are_thrown_together()
    {
        Container container =
            new Wiring { Singleton.Value(_ended), Singleton.Of<Base>(), Singleton.Of<Failing>(), Singleton.Of<FailingToo>() }.Build();
        container.Resolve<Base>();
        container.Resolve<Failing>();
        container.Resolve<FailingToo>();

        AggregateException thrown = await Assert.ThrowsAsync<AggregateException>(async () => await container.DisposeAsync());

        Assert.Equal(["second", "first"], thrown.InnerExceptions.Select(failure => failure.Message));
        Assert.Equal(["Base"], _ended);
    }

    [Fact]
    public async Task What_can_end_only_asynchronously_is_named_and_kept_for_another_try()
    {
        Container container = new Wiring { Singleton.Value(_ended), Singleton.Of<Base>(), Singleton.Of<OnlyLater>() }.Build();
        container.Resolve<Base>();
        container.Resolve<OnlyLater>();

        AggregateException thrown = Assert.Throws<AggregateException>(container.Dispose);
        Assert.Contains("OnlyLater", Assert.Single(thrown.InnerExceptions).Message, StringComparison.Ordinal);
        Assert.Equal(["Base"], _ended);

        await container.DisposeAsync();
        Assert.Equal(["Base", "OnlyLater"], _ended);
    }

    [Fact]
    public void Second_disposal_of_a_container_does_nothing()
    {
        Container container = new Wiring { Singleton.Value(_ended), Singleton.Of<Base>() }.Build();
        container.Resolve<Base>();

        container.Dispose();
        container.Dispose();

        Assert.Equal(["Base"], _ended);
    }

    [Fact]
    public void Values_are_not_disposed()
    {
        Base mine = new(_ended);
        Container container = new Wiring { Singleton.Value(mine), Scoped.Incoming<Tool>() }.Build();
        Scope scope = container.StartScope(Incoming.Value(new Tool(mine, _ended)));
        scope.Resolve<Base>();
        scope.Resolve<Tool>();

        scope.Dispose();
        container.Dispose();

        Assert.Empty(_ended);
    }

    [Fact]
    public void One_object_that_two_factories_hand_out_ends_once()
    {
        Base shared = new(_ended);
        Container container = new Wiring { Singleton.From(() => shared), Singleton.From(IDisposable () => shared) }.Build();
        container.Resolve<Base>();
        container.Resolve<IDisposable>();

        container.Dispose();

        Assert.Equal(["Base"], _ended);
    }

    [Fact]
    public void Use_after_disposal_throws()
    {
        Container container =
            new Wiring
            {
                Singleton.Value(_ended), Singleton.Of<Base>(), Singleton.Of<Worker>(), Scoped.Of<Visit>(), Transient.Of<Tool>(),
            }.Build();
        Scope scope = container.StartScope();
        scope.Resolve<Visit>();

        scope.Dispose();
        Assert.Contains(
            "The scope was disposed", Assert.Throws<ObjectDisposedException>(scope.Resolve<Visit>).Message, StringComparison.Ordinal);
        Assert.Throws<ObjectDisposedException>(scope.Resolve<Base>);
        Assert.Throws<ObjectDisposedException>(() => scope.StartScope());

        Scope open = container.StartScope();
        container.Dispose();
        Assert.Throws<ObjectDisposedException>(container.Resolve<Base>);
        Assert.StartsWith(
            "The container was disposed", Assert.Throws<ObjectDisposedException>(open.Resolve<Base>).Message, StringComparison.Ordinal);
        Assert.Throws<ObjectDisposedException>(() => container.TryResolve<Base>(out _));
        Assert.Throws<ObjectDisposedException>(() => container.AsServiceProvider().GetService(typeof(Base)));
    }

    [Fact]
    public async Task A_scope_that_ends_while_something_is_created_ends_that_too()
    {
        using ManualResetEventSlim begun = new();
        using ManualResetEventSlim goOn = new();
        using Container container = new Wiring
        {
            Scoped.From(() =>
            {
                begun.Set();
                goOn.Wait();
                return new Base(_ended);
            }),
        }.Build();
        Scope scope = container.StartScope();
        Task<Base> making = Task.Factory.StartNew(
            scope.Resolve<Base>, TestContext.Current.CancellationToken, TaskCreationOptions.LongRunning, TaskScheduler.Default);
        begun.Wait(TestContext.Current.CancellationToken);

        scope.Dispose();
        goOn.Set();

        await Assert.ThrowsAsync<ObjectDisposedException>(() => making);
        Assert.Equal(["Base"], _ended);
    }

    public class Recorded(string name, List<string> ended) : IDisposable
    {
        public void Dispose() => ended.Add(name);
    }

    public sealed class Base(List<string> ended) : Recorded("Base", ended);

    public sealed class Tool(Base ground, List<string> ended) : Recorded("Tool", ended)
    {
        public Base Ground { get; } = ground;
    }

    public sealed class Worker(Tool tool, List<string> ended) : Recorded("Worker", ended)
    {
        public Tool Tool { get; } = tool;
    }

    public sealed class Visit(Worker worker, Tool tool, List<string> ended) : Recorded("Visit", ended)
    {
        public object Needs { get; } = (worker, tool);
    }

    public sealed class Failing : IDisposable
    {
        public void Dispose() => throw new InvalidOperationException("first");
    }

    public sealed class FailingToo : IAsyncDisposable
    {
        public ValueTask DisposeAsync() => throw new InvalidOperationException("second");
    }

    public sealed class Both(List<string> ended) : IDisposable, IAsyncDisposable
    {
        public void Dispose() => ended.Add("Both");

        public ValueTask DisposeAsync()
        {
            ended.Add("Both, asynchronously");
            return ValueTask.CompletedTask;
        }
    }

    public sealed class OnlyLater(List<string> ended) : IAsyncDisposable
    {
        public async ValueTask DisposeAsync()
        {
            await Task.Yield();
            ended.Add("OnlyLater");
        }
    }
}
