using Junctivor.Checks;

namespace Junctivor.Tests.Checks;

public class ClassTests
{
    [Theory]
    [InlineData(typeof(IClock), "is an interface")]
    [InlineData(typeof(Ground), "is abstract")]
    [InlineData(typeof(Shelf), "is static")]
    [InlineData(typeof(Locked), "has no public constructor")]
    [InlineData(typeof(Action), "is a delegate type")]
    [InlineData(typeof(ByReference), "is passed by reference")]
    [InlineData(typeof(ByPointer), "is a pointer")]
    [InlineData(typeof(OnTheStack), "lives on the stack only")]
    public void Classes_that_cannot_be_constructed_are_faults(Type type, string why)
    {
        Wiring wiring = [Singleton.Of(type)];

        Fault fault = Assert.Single(wiring.Check().Errors, fault => fault.Code == "JV102");

        Assert.Contains(why, fault.Summary, StringComparison.Ordinal);
        Assert.NotEmpty(fault.Fixes);
    }

    [Fact]
    public void Every_injected_property_that_cannot_be_set_is_a_fault_of_its_own()
    {
        Wiring wiring = [Singleton.Of<Moored>(), Singleton.Of<SystemClock>()];

        Assert.Equal(
            [
                "Moored has the injected property SystemClock Unset, which has no public setter",
                "Moored has the injected property SystemClock Shared, which is static",
                "Moored has the injected property SystemClock Inner, which is not public",
                "Moored has the injected property SystemClock Needed, which is not public",
                "Moored has the injected property SystemClock Below, which is not public",
            ],
            wiring.Check().Errors.Where(fault => fault.Code == "JV102")
                .Select(fault => fault.Summary.Replace("ClassTests.", "", StringComparison.Ordinal)));
    }

    [Fact]
    public void An_object_that_is_filled_and_has_a_property_that_cannot_be_set_is_refused()
    {
        using Container container = new Wiring { Singleton.Of<SystemClock>() }.Build();

        ResolveException refused = Assert.Throws<ResolveException>(() => container.FillProperties(new MooredBelow()));

        Assert.Contains("has the injected property SystemClock Below, which is not public", refused.Message, StringComparison.Ordinal);
    }

    [Fact]
    public void An_open_class_for_a_closed_service_is_not_constructible()
    {
        Wiring wiring = [Singleton.Of(typeof(IClock), typeof(OpenClock<>))];

        Fault fault = Assert.Single(wiring.Check().Errors);

        Assert.Equal("JV102", fault.Code);
        Assert.Contains("has an open type argument", fault.Summary, StringComparison.Ordinal);
    }

    [Fact]
    public void For_an_interface_the_registered_implementation_is_offered()
    {
        Wiring wiring = [Singleton.Of<IClock>(), Scoped.Of<SystemClock>()];

        Fault fault = Assert.Single(wiring.Check().Errors);

        Assert.Contains("Singleton.Of<IClock, SystemClock>()", fault.Fixes[0].ToString(), StringComparison.Ordinal);
    }

    [Fact]
    public void Several_constructors_print_the_factory_that_settles_it()
    {
        Wiring wiring = [Singleton.Of<IClock, SystemClock>(), Transient.Of<Torn>()];

        Fault fault = Assert.Single(wiring.Check().Errors);

        Assert.Equal("JV103", fault.Code);
        Assert.Contains(
            "Transient.From((IClock clock) => new ClassTests.Torn(clock))", fault.Fixes[1].ToString(), StringComparison.Ordinal);
    }

    [Fact]
    public void Inject_picks_one_of_several_constructors()
    {
        using Container container = new Wiring { Singleton.Of<IClock, SystemClock>(), Transient.Of<Decided>() }.Build();

        Assert.True(container.Resolve<Decided>().TookTheClock);
    }

    [Fact]
    public void Inject_twice_is_no_choice()
    {
        Fault fault = Assert.Single(new Wiring { Singleton.Of<IClock, SystemClock>(), Transient.Of<Undecided>() }.Check().Errors);

        Assert.Equal("JV103", fault.Code);
        Assert.Contains("[Inject] on 2", fault.Summary, StringComparison.Ordinal);
    }

    [Fact]
    public void A_class_that_does_not_implement_what_it_also_serves_is_reported()
    {
        Wiring wiring = [Singleton.Of<SystemClock>().Also<ITideTable>(), Singleton.Of<AlmanacTideTable>()];

        Fault fault = Assert.Single(wiring.Check().Errors);

        Assert.Equal("JV104", fault.Code);
        Assert.Contains("SystemClock is registered for ITideTable", fault.Summary, StringComparison.Ordinal);
        Assert.Contains("AlmanacTideTable does", Assert.Single(fault.Remarks), StringComparison.Ordinal);
    }

    [Fact]
    public void Types_known_only_at_run_time_are_checked_as_well()
    {
        Wiring wiring =
        [
            Singleton.Of(typeof(IClock), typeof(AlmanacTideTable)),
            Singleton.ValueAs(typeof(IBerthLedger), new SystemClock()),
        ];

        Assert.Equal(["JV104", "JV104"], wiring.Check().Errors.Select(fault => fault.Code));
    }

    public sealed class OpenClock<T> : IClock;

    public static class Shelf;

    public abstract class Ground;

    public sealed class Locked
    {
        private Locked()
        {
        }
    }

    public sealed class ByReference
    {
        public ByReference(ref int berths) => berths++;
    }

    public sealed unsafe class ByPointer
    {
        public ByPointer(int* berths) => Berths = (nint)berths;

        public nint Berths { get; }
    }

    public sealed class OnTheStack
    {
        public OnTheStack(Span<int> berths) => Count = berths.Length;

        public int Count { get; }
    }

    public sealed class Torn
    {
        public Torn(IClock clock) => _ = clock;

        public Torn(IClock clock, int berths) => _ = (clock, berths);
    }

    public sealed class Decided
    {
        public Decided()
        {
        }

        [Inject]
        public Decided(IClock clock) => TookTheClock = clock is not null;

        public bool TookTheClock { get; }
    }

    public sealed class Undecided
    {
        [Inject]
        public Undecided()
        {
        }

        [Inject]
        public Undecided(IClock clock) => _ = clock;
    }

    private class MooredBelow
    {
        [Inject]
        private SystemClock? Below { get; set; }

        public bool IsFilled => Below is not null;
    }

    private class Moored : MooredBelow
    {
        [Inject]
        public static SystemClock? Shared { get; set; }

        [Inject]
        public SystemClock? Unset { get; }

        [Inject]
        protected SystemClock? Inner { get; set; }

        internal required SystemClock Needed { get; set; }
    }
}
