namespace Junctivor.Tests.Runtime;

/// <summary>Values that are read when they are first requested.</summary>
public class DeferredValueTests
{
    private static readonly Wiring Wiring = [Scoped.Incoming<Caller>().DisposeAtEnd(), Scoped.Of<Desk>(), Transient.Of<Planner>()];

    [Fact]
    public void It_is_read_once_and_also_seen_by_inner_scopes()
    {
        int read = 0;
        using Container container = Wiring.Build();
        using Scope scope = container.StartScope(Incoming.WhenRequested(() => new Caller(++read)));
        scope.Resolve<Planner>();
        Assert.Equal(0, read);

        Caller caller = scope.Resolve<Desk>().Caller;
        using Scope inner = scope.StartScope();

        Assert.Same(caller, scope.Resolve<Caller>());
        Assert.Same(caller, inner.Resolve<Desk>().Caller);
        Assert.Equal(1, read);
    }

    [Fact]
    public async Task It_is_disposed_where_it_was_read_and_else_nothing_is()
    {
        Caller caller = new(1);
        await using Container container = Wiring.Build();
        await using (Scope scope = container.StartScope(Incoming.WhenRequested(() => caller)))
        {
            Assert.False(caller.IsDisposed);
        }

        Assert.False(caller.IsDisposed);
        await using (Scope scope = container.StartScope(Incoming.WhenRequested(() => caller)))
        {
            scope.Resolve<Desk>();
        }

        Assert.True(caller.IsDisposed);
        Caller another = new(2);
        using (Scope scope = container.StartScope(Incoming.WhenRequested(() => another)))
        {
            scope.Resolve<Desk>();
        }

        Assert.True(another.IsDisposed);
    }

    [Fact]
    public void A_function_that_throws_is_called_again_and_one_that_returns_null_is_told()
    {
        int called = 0;
        using Container container = Wiring.Build();
        using Scope scope = container.StartScope(
            Incoming.WhenRequested(() => ++called == 1 ? throw new TimeoutException("asleep") : new Caller(called)));
        using Scope empty = container.StartScope(Incoming.WhenRequested<Caller>(() => null!));

        Assert.Throws<TimeoutException>(() => scope.Resolve<Caller>());
        Assert.Equal(2, scope.Resolve<Caller>().Number);
        Assert.Contains(
            "WhenRequested returned null", Assert.Throws<InvalidOperationException>(() => empty.Resolve<Caller>()).Message,
            StringComparison.Ordinal);
    }

    [Fact]
    public void A_container_knows_marked_services()
    {
        Wiring marked = [Singleton.Value(3).Marked("north"), Singleton.Value(4).Marked<Planner>()];
        using Container container = marked.Build();

        Assert.Equal(
            (true, false, true, false),
            (container.Knows(typeof(int), "north"), container.Knows(typeof(int), "south"), container.Knows(typeof(int), typeof(Planner)),
                container.Knows<int>()));
    }

    private sealed class Caller(int number) : IDisposable
    {
        public int Number { get; } = number;

        public bool IsDisposed { get; private set; }

        public void Dispose() => IsDisposed = true;
    }

    private sealed record Desk(Caller Caller);

    private sealed record Planner;
}
