namespace Junctivor.Tests.Reliability;

/// <summary>What is deep is only that.</summary>
public class DeepTests
{
    [Fact]
    public void A_recursion_that_ends_resolves_however_small_the_stack() => OnSmallStack(() =>
    {
        using Container container = new Wiring { Transient.Of<Lock>() }.Build();

        Lock first = container.Resolve<Func<int, Lock>>()(5_000);

        Assert.Equal(5_000, first.Depth);
    });

    [Fact]
    public void What_is_shared_is_created_once_however_deep_it_is_requested() => OnSmallStack(() =>
    {
        int made = 0;
        using Container container = new Wiring
        {
            Singleton.From((Func<int, Lock> make) =>
            {
                made++;
                return new Canal(make(3_000));
            }),
            Transient.Of<Lock>(),
        }.Build();

        Assert.Same(container.Resolve<Canal>(), container.Resolve<Canal>());
        Assert.Equal(1, made);
    });

    [Fact]
    public void A_cycle_that_only_a_factory_can_close_is_reported_wherever_on_the_stack_it_is_met() => OnSmallStack(() =>
    {
        using Container container = new Wiring
        {
            Transient.From((Container asked) => new Ring(asked.Resolve<Ring>().Lock)).Accept("JV502", "It is the test."),
        }.Build();

        ResolveException told = Assert.Throws<ResolveException>(container.Resolve<Ring>);

        Assert.Equal("JV201", told.Fault.Code);
    });

    [Fact]
    public void A_failure_thousands_of_levels_deep_comes_out_with_its_whole_path() => OnSmallStack(() =>
    {
        using Container container = new Wiring { Transient.Of<Shaft>() }.Build();

        ConstructionException thrown = Assert.Throws<ConstructionException>(() => container.Resolve<Func<int, Shaft>>()(4_000));

        Assert.Equal("the bottom", thrown.InnerException!.Message);
        Assert.Equal(4_001, thrown.Path.Count);
        Assert.Equal([0, 1, 4_000], [thrown.Path[0].Depth, thrown.Path[1].Depth, thrown.Path[^1].Depth]);
        Assert.Contains("more steps", thrown.Message, StringComparison.Ordinal);
    });

    /// <summary>On a thread whose stack holds a few hundred levels.</summary>
    private static void OnSmallStack(Action test)
    {
        Exception? failure = null;
        Thread thread = new(() => failure = Record.Exception(test), 512 << 10);
        thread.Start();
        thread.Join();
        Assert.Null(failure);
    }

    public sealed class Lock
    {
        public Lock(int depth, Func<int, Lock> make)
        {
            Depth = depth;
            Next = depth > 0 ? make(depth - 1) : null;
        }

        public int Depth { get; }

        public Lock? Next { get; }
    }

    public sealed class Shaft
    {
        public Shaft(int depth, Func<int, Shaft> make) =>
            Next = depth > 0 ? make(depth - 1) : throw new InvalidOperationException("the bottom");

        public Shaft Next { get; }
    }

    public sealed record Canal(Lock First);

    public sealed record Ring(Lock Lock);
}
