using Junctivor.Checks;

namespace Junctivor.Tests.Runtime;

public class LateValueTests
{
    private readonly List<string> _disposed = [];

    [Fact]
    public void Late_value_is_supplied_once_and_reached_through_lazy()
    {
        using Container container =
            new Wiring { Singleton.Incoming<Caller>()
                .SuppliedLater(), Singleton.From((Lazy<Caller> caller) => Tuple.Create(caller)) }.Build();
        Lazy<Caller> caller = container.Resolve<Tuple<Lazy<Caller>>>().Item1;

        Assert.Equal("JV105", Assert.Throws<ResolveException>(() => caller.Value).Report.Errors[0].Code);
        container.Supply(new Caller("Mira"));

        Assert.Equal("Mira", caller.Value.Name);
        Assert.Contains(
            "supplied only once", Assert.Throws<InvalidOperationException>(() => container.Supply(new Caller("Odd"))).Message,
            StringComparison.Ordinal);
        Assert.Equal("JV107", Assert.Throws<ResolveException>(() => container.Supply(new LedgerFile("x"))).Report.Errors[0].Code);
    }

    [Fact]
    public void Late_value_with_a_mark_is_supplied_by_its_mark()
    {
        using (Container container = new Wiring
        {
            Singleton.Incoming<Thing>().SuppliedLater().DisposeAtEnd(),
            Singleton.Incoming<Thing>().Marked("spare").SuppliedLater().DisposeAtEnd(),
            Singleton.Incoming<Thing>().Marked<Caller>().SuppliedLater(),
        }.Build())
        {
            container.Supply(Incoming.Value(new Thing("spare", _disposed)).Marked("spare"));
            container.Supply(Incoming.Value(new Thing("marked", _disposed)).Marked<Caller>());

            Assert.Equal("spare", container.Resolve<Thing>("spare").Name);
            Assert.Equal("marked", container.ResolveMarked<Thing, Caller>().Name);
            Assert.Equal("JV105", Assert.Throws<ResolveException>(() => container.Resolve<Thing>()).Fault.Code);
            Fault fault =
                Assert.Throws<ResolveException>(() => container.Supply(Incoming.Value(new Thing("x", _disposed)).Marked("spar"))).Fault;
            Assert.Equal(
                ("JV107", "Singleton.Incoming<LateValueTests.Thing>().Marked(\"spar\").SuppliedLater()"),
                (fault.Code, fault.Fixes[0].Code));
        }

        Assert.Equal(["spare"], _disposed);
    }

    [Fact]
    public void Late_value_declared_for_one_consumer_and_for_all_reaches_both()
    {
        using Container container = new Wiring
        {
            Singleton.Incoming<Caller>().SuppliedLater(),
            Singleton.Incoming<Caller>().OnlyFor<Desk>().SuppliedLater(),
            Singleton.Of<Desk>(),
        }.Build();

        container.Supply(new Caller("Mira"));

        Assert.Equal(("Mira", "Mira"), (container.Resolve<Caller>().Name, container.Resolve<Desk>().Caller.Value.Name));
    }

    [Fact]
    public void Late_value_cannot_be_required_at_construction_or_supplied_early()
    {
        Wiring direct = [Singleton.Incoming<Caller>().SuppliedLater(), Transient.From((Caller caller) => new object())];
        Wiring late = [Singleton.Incoming<Caller>().SuppliedLater()];

        Assert.Equal("JV402", Assert.Single(direct.Check().Errors).Code);
        WiringException thrown = Assert.Throws<WiringException>(() => late.Build(Incoming.Value(new Caller("Mira"))));
        Assert.Contains("container.Supply<Caller>(…)", thrown.Message, StringComparison.Ordinal);
    }

    public sealed record Thing(string Name, List<string> Disposed) : IDisposable
    {
        public void Dispose() => Disposed.Add(Name);
    }

    public sealed record Desk(Lazy<Caller> Caller);
}
