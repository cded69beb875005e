namespace Junctivor.Tests.Resolving;

public class OwnershipTests
{
    private readonly List<string> _ended = [];

    [Fact]
    public void A_value_that_is_owned_counts_as_made_first_and_ends_last()
    {
        Container container = new Wiring
        {
            Singleton.From(() => new Thing("made", _ended)),
            Singleton.Value(new Thing("value", _ended)).Marked("value").DisposeAtEnd(),
            Singleton.Incoming<Thing>().Marked("handed over").DisposeAtEnd(),
        }.Build(Incoming.Value(new Thing("handed over", _ended)).Marked("handed over"));
        container.Resolve<Thing>();

        container.Dispose();

        Assert.Equal("made", _ended[0]);
        Assert.Equal(["handed over", "made", "value"], _ended.Order());
    }

    [Fact]
    public void A_scopes_owned_value_ends_with_the_scope()
    {
        using Container container = new Wiring { Scoped.Incoming<Thing>().DisposeAtEnd() }.Build();

        container.StartScope(Incoming.Value(new Thing("handed over", _ended))).Dispose();

        Assert.Equal(["handed over"], _ended);
    }

    [Fact]
    public void A_value_that_is_promised_several_times_ends_once()
    {
        using Container container = new Wiring
        {
            Scoped.Incoming<Thing>().DisposeAtEnd(),
            Scoped.Incoming<Thing>().OnlyFor<BerthPlanner>().DisposeAtEnd(),
            Scoped.Incoming<Thing>().OnlyFor<BookingDesk>().DisposeAtEnd(),
        }.Build();

        using (container.StartScope(Incoming.Value(new Thing("promised", _ended))))
        {
        }

        Assert.Equal(["promised"], _ended);
    }

    [Fact]
    public void A_build_that_fails_ends_nothing()
    {
        Wiring wiring = [Singleton.Incoming<Thing>().DisposeAtEnd(), Singleton.Value(new Thing("value", _ended)).Marked("value").DisposeAtEnd(), Transient.Of<BerthPlanner>()];

        Assert.Throws<WiringException>(() => wiring.Build(Incoming.Value(new Thing("handed over", _ended))));

        Assert.Empty(_ended);
    }

    [Fact]
    public void What_a_factory_hands_out_can_be_left_undisposed()
    {
        Container container = new Wiring { Transient.From(() => new Thing("shared", _ended)).LeaveUndisposed() }.Build();
        container.Resolve<Thing>();

        container.Dispose();

        Assert.Empty(_ended);
    }

    [Fact]
    public void A_late_value_is_handed_over_once_and_reached_through_lazy()
    {
        using Container container = new Wiring { Singleton.Incoming<Caller>().SuppliedLater(), Singleton.From((Lazy<Caller> caller) => Tuple.Create(caller)) }.Build();
        Lazy<Caller> caller = container.Resolve<Tuple<Lazy<Caller>>>().Item1;

        Assert.Equal("JV105", Assert.Throws<ResolveException>(() => caller.Value).Report.Faults[0].Code);
        container.Supply(new Caller("Mira"));

        Assert.Equal("Mira", caller.Value.Name);
        Assert.Contains("handed over once", Assert.Throws<InvalidOperationException>(() => container.Supply(new Caller("Odd"))).Message, StringComparison.Ordinal);
        Assert.Equal("JV107", Assert.Throws<ResolveException>(() => container.Supply(new LedgerFile("x"))).Report.Faults[0].Code);
    }

    [Fact]
    public void A_late_value_cannot_be_taken_directly_or_handed_over_early()
    {
        Wiring direct = [Singleton.Incoming<Caller>().SuppliedLater(), Transient.From((Caller caller) => new object())];
        Wiring late = [Singleton.Incoming<Caller>().SuppliedLater()];

        Assert.Equal("JV402", Assert.Single(direct.Check().Faults).Code);
        WiringException thrown = Assert.Throws<WiringException>(() => late.Build(Incoming.Value(new Caller("Mira"))));
        Assert.Contains("container.Supply<Caller>(…)", thrown.Message, StringComparison.Ordinal);
    }

    public sealed class Thing(string name, List<string> ended) : IDisposable
    {
        public void Dispose() => ended.Add(name);
    }
}
