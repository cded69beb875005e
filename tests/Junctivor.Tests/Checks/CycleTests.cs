using Junctivor.Checks;

namespace Junctivor.Tests.Checks;

public class CycleTests
{
    [Fact]
    public void A_cycle_is_shown_with_every_parameter()
    {
        Wiring wiring = [Singleton.Of<Egg>(), Singleton.Of<Hen>()];

        Fault fault = Assert.Single(wiring.Check().Errors);

        Assert.Equal("JV201", fault.Code);
        Assert.Contains("CycleTests.Egg → CycleTests.Hen → CycleTests.Egg", fault.Summary, StringComparison.Ordinal);
        Assert.Equal([null, "layer", "origin"], fault.Path.Select(step => step.Parameter));
        Assert.Contains("Lazy<CycleTests.Egg> origin", fault.Fixes[0].ToString(), StringComparison.Ordinal);
    }

    [Fact]
    public void Service_that_depends_on_itself_is_a_cycle()
    {
        Fault fault = Assert.Single(new Wiring { Transient.Of<Ouroboros>() }.Check().Errors);

        Assert.Equal("JV201", fault.Code);
        Assert.Equal("CycleTests.Ouroboros depends on itself", fault.Summary);
    }

    [Fact]
    public void Two_cycles_that_share_a_service_are_both_shown()
    {
        Wiring wiring = [Singleton.Of<Hub>(), Singleton.Of<Left>(), Singleton.Of<Right>()];

        IReadOnlyList<Fault> faults = wiring.Check().Errors;

        Assert.All(faults, fault => Assert.Equal("JV201", fault.Code));
        Assert.Equal(
            ["CycleTests.Hub CycleTests.Left", "CycleTests.Hub CycleTests.Right"],
            faults.Select(fault => string.Join(' ', fault.Candidates)).Order());
    }

    [Fact]
    public void A_lazy_value_breaks_the_cycle()
    {
        using Container container = new Wiring { Singleton.Of<Egg>(), Singleton.From((Lazy<Egg> egg) => new Hen(egg)) }.Build();

        Hen hen = container.Resolve<Hen>();

        Assert.Same(hen, hen.Origin.Layer);
    }

    [Fact]
    public void A_cycle_of_a_thousand_is_one_fault()
    {
        IReadOnlyList<Type> ring = EmittedClasses.Ring(1_000);
        Wiring wiring = [.. ring.Select(type => Singleton.Of(type))];

        Fault fault = Assert.Single(wiring.Check().Errors);

        Assert.Equal("JV201", fault.Code);
        Assert.Equal(1_001, fault.Path.Count);
        Assert.Contains("dependency cycle of 1000 services", fault.Summary, StringComparison.Ordinal);
        Assert.InRange(fault.ToString().Split('\n').Length, 10, 60);
    }

    public sealed class Egg(Hen layer)
    {
        public Hen Layer { get; } = layer;
    }

    public sealed class Hen
    {
        private readonly Lazy<Egg> _origin;

        [Inject]
        public Hen(Egg origin) => _origin = new(origin);

        public Hen(Lazy<Egg> origin) => _origin = origin;

        public Egg Origin => _origin.Value;
    }

    public sealed class Ouroboros(Ouroboros tail)
    {
        public Ouroboros Tail { get; } = tail;
    }

    public sealed class Hub(Left left, Right right)
    {
        public object Spokes { get; } = (left, right);
    }

    public sealed class Left(Hub hub)
    {
        public Hub Hub { get; } = hub;
    }

    public sealed class Right(Hub hub)
    {
        public Hub Hub { get; } = hub;
    }
}
