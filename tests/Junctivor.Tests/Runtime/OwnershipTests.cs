namespace Junctivor.Tests.Runtime;

public class OwnershipTests
{
    private readonly List<string> _ended = [];

    [Fact]
    public void A_value_that_is_owned_counts_as_created_first_and_ends_last()
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
    public void A_value_that_is_declared_several_times_ends_once()
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
    public void Failed_build_disposes_of_nothing()
    {
        Wiring wiring = [Singleton.Incoming<Thing>().DisposeAtEnd(),
            Singleton.Value(new Thing("value", _ended)).Marked("value").DisposeAtEnd(), Transient.Of<BerthPlanner>()];

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

    public sealed class Thing(string name, List<string> ended) : IDisposable
    {
        public void Dispose() => ended.Add(name);
    }
}
