namespace Junctivor.Testing.Tests;

public class TestContainerTests
{
    private static readonly Wiring Wiring = [Singleton.Of<Quay>(), Scoped.Of<Ledger>(), Transient.Of<Desk>()];

    [Fact]
    public async Task It_counts_what_is_created_and_disposed()
    {
        await using TestContainer test = TestContainer.Of(Wiring);
        await using (Scope scope = test.Container.StartScope())
        {
            scope.Resolve<Desk>();
            scope.Resolve<Desk>();

            Assert.Equal((2, 1, 0, 1), (test.Created<Desk>(), test.Created<Ledger>(), test.Disposed<Ledger>(), test.OpenScopes));
        }

        Assert.Equal((1, 0, 0), (test.Disposed<Ledger>(), test.Disposed<Quay>(), test.OpenScopes));
        await test.EndAsync();
        Assert.Equal(1, test.Disposed<Quay>());
    }

    [Fact]
    public async Task A_scope_that_is_left_open_fails_the_end()
    {
        TestContainer test = TestContainer.Of(Wiring);
        Scope scope = test.Container.StartScope();
        scope.Resolve<Desk>();

        WiringTestException thrown = await Assert.ThrowsAsync<WiringTestException>(test.EndAsync);

        Assert.Equal(
            "Scopes were started and not disposed: 1 of level scoped. Use await using, also where the work throws.", thrown.Message);
        await scope.DisposeAsync();
    }

    [Fact]
    public async Task Disposing_of_it_does_not_hide_what_the_test_threw()
    {
        await Assert.ThrowsAsync<TimeoutException>(async () =>
        {
            await using TestContainer test = TestContainer.Of(Wiring);
            test.Container.StartScope();
            throw new TimeoutException("of the test");
        });
    }

    private sealed class Quay : IDisposable
    {
        public void Dispose()
        {
            // Only counted.
        }
    }

    private sealed class Ledger(Quay quay) : IAsyncDisposable
    {
        public Quay Quay { get; } = quay;

        public ValueTask DisposeAsync() => default;
    }

    private sealed record Desk(Ledger Ledger);
}
