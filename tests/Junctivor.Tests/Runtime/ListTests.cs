using Junctivor.Checks;

namespace Junctivor.Tests.Runtime;

public class ListTests
{
    [Fact]
    public void A_list_has_all_unmarked_ones_in_the_order_written()
    {
        using Container container = Clocks().Build();
        Type[] expected = [typeof(SystemClock), typeof(TideClock)];

        Assert.Equal(expected, container.Resolve<IReadOnlyList<IClock>>().Select(clock => clock.GetType()));
        Assert.Equal(expected, container.Resolve<IEnumerable<IClock>>().Select(clock => clock.GetType()));
        Assert.Equal(expected, container.Resolve<IReadOnlyCollection<IClock>>().Select(clock => clock.GetType()));
        Assert.Equal(expected, container.Resolve<IClock[]>().Select(clock => clock.GetType()));
        Assert.IsType<TideClock>(Assert.Single(container.Resolve<IReadOnlyList<IClock>>("extra")));
    }

    [Fact]
    public void Each_injection_has_an_array_of_its_own_with_the_shared_instances()
    {
        using Container container = Clocks().Build();
        IClock[] first = container.Resolve<IClock[]>();
        IClock[] second = container.Resolve<IClock[]>();

        first[0] = null!;

        Assert.NotSame(first, second);
        Assert.Same(container.Resolve<IClock[]>()[0], second[0]);
    }

    [Fact]
    public void A_list_that_nobody_fills_is_empty_and_noted()
    {
        Wiring wiring = [Transient.From(
            (IReadOnlyList<IClock> clocks, IReadOnlyDictionary<string, IClock> named) => $"{clocks.Count}{named.Count}")];
        using Container container = wiring.Build();

        Assert.Equal("00", container.Resolve<string>());
        Assert.Empty(container.Resolve<IReadOnlyList<IBerthLedger>>());
        Assert.Equal(["JV505", "JV505"], wiring.Check().Notes.Select(note => note.Code));
        Assert.Contains("an empty list", wiring.Check().Notes[0].Summary, StringComparison.Ordinal);
    }

    [Fact]
    public void An_absent_optional_parameter_is_noted()
    {
        Wiring wiring = [Transient.From((IClock? clock) => $"{clock is null}")];

        Fault note = Assert.Single(wiring.Check().Notes);

        Assert.Equal("JV505", note.Code);
        Assert.Contains("IClock is optional, and not registered", note.Summary, StringComparison.Ordinal);
        using Container container = wiring.Build();
        Assert.Equal("True", container.Resolve<string>());
    }

    [Fact]
    public void A_list_type_registered_directly_wins()
    {
        IReadOnlyList<IClock> mine = [new TideClock()];
        using Container container = new Wiring { Singleton.Value(mine), Singleton.Of<IClock, SystemClock>() }.Build();

        Assert.Same(mine, container.Resolve<IReadOnlyList<IClock>>());
        Assert.IsType<SystemClock>(Assert.Single(container.Resolve<IEnumerable<IClock>>()));
    }

    [Fact]
    public void Lists_of_wrappers_have_one_for_each()
    {
        using Container container = Clocks().Build();

        Lazy<IClock>[] lazy = container.Resolve<Lazy<IClock>[]>();

        Assert.Equal([typeof(SystemClock), typeof(TideClock)], lazy.Select(each => each.Value.GetType()));
        Assert.Equal(2, container.Resolve<Lazy<IReadOnlyList<IClock>>>().Value.Count);
        Assert.Equal(2, container.Resolve<IReadOnlyList<Func<IClock>>>().Count);
    }

    [Fact]
    public void What_is_in_a_list_is_checked_as_if_it_were_taken_alone()
    {
        Wiring captive = [Scoped.Of<IClock, SystemClock>(), Singleton.From((IEnumerable<IClock> clocks) => new object())];
        Wiring ring = [Singleton.From((IEnumerable<IClock> clocks) => new SystemClock()).Also<IClock>()];

        Assert.Equal("JV301", Assert.Single(captive.Check().Errors).Code);
        Assert.Equal("JV201", Assert.Single(ring.Check().Errors).Code);
    }

    [Fact]
    public void Lists_of_values_work()
    {
        using Container container = new Wiring { Singleton.Value(3), Singleton.Value(4), Singleton.Value((5, "five")) }.Build();

        Assert.Equal([3, 4], container.Resolve<IReadOnlyList<int>>());
        Assert.Equal([(5, "five")], container.Resolve<(int, string)[]>());
    }

    private static Wiring Clocks() =>
    [
        Singleton.Of<IClock, SystemClock>(),
        Singleton.Of<IClock, TideClock>().Marked("extra"),
        Singleton.Of<IClock, TideClock>(),
    ];
}
