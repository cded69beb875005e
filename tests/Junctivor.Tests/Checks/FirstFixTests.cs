namespace Junctivor.Tests.Checks;

/// <summary>The first fix keeps what the program does; a fix that loses something comes last and says what is lost.</summary>
public class FirstFixTests
{
    [Fact]
    public void Ambiguous_offers_a_default_first_and_the_removal_last()
    {
        Wiring wiring = [Singleton.Of<IClock, SystemClock>(), Singleton.Of<IClock, TideClock>(),
            Transient.From((IClock clock) => new object())];

        Fault fault = Assert.Single(wiring.Check().Faults);

        Assert.Equal(".FirstChoice()", fault.Fixes[0].Code);
        Assert.Equal("keep one of them, and remove the others; nothing can use those any more", fault.Fixes[^1].Advice);
    }

    [Fact]
    public void Mark_of_a_factory_is_named_after_the_parameter_and_a_list_is_warned_about()
    {
        Wiring wiring =
        [
            Singleton.From(IClock () => new SystemClock()),
            Singleton.From(IClock () => new TideClock()),
            Transient.From((IClock sunrise) => new object()),
            Transient.Of<ClockShelf>(),
        ];

        Fix marks =
            Assert.Single(
                Assert.Single(wiring.Check().Faults).Fixes, fix => fix.Code?.StartsWith("[Marked", StringComparison.Ordinal) == true);

        Assert.Equal("[Marked(\"sunrise\")] IClock sunrise", marks.Code);
        Assert.Contains("no longer in the list that FirstFixTests.ClockShelf takes", marks.Advice, StringComparison.Ordinal);
    }

    [Fact]
    public void Registered_twice_offers_the_acceptance_first()
    {
        Wiring wiring = [Singleton.Of<IClock, SystemClock>(), Singleton.Of<IClock, SystemClock>()];

        Fault fault = Assert.Single(wiring.Check().Warnings);

        Assert.StartsWith(".Accept(\"JV204\"", fault.Fixes[0].Code, StringComparison.Ordinal);
        Assert.Contains("a list of IClock then has one instance", fault.Fixes[1].Advice, StringComparison.Ordinal);
    }

    [Fact]
    public void Unused_registrations_of_an_unused_one_are_folded_into_it()
    {
        Wiring wiring =
        [
            Singleton.Of<SystemClock>().ResolvedDirectly(),
            Transient.Of<BookingDesk>(),
            Transient.Of<BerthPlanner>(),
            Scoped.Of<IBerthLedger, MemoryLedger>(),
        ];

        Fault fault = Assert.Single(wiring.Check().Warnings);

        Assert.Equal(("JV501", "BookingDesk"), (fault.Code, Assert.Single(fault.Candidates)));
        Assert.Equal(["Only it uses BerthPlanner, MemoryLedger."], fault.Remarks);
        Assert.Equal(".ResolvedDirectly()", fault.Fixes[0].Code);
    }

    [Fact]
    public void Unused_cycle_is_reported_once()
    {
        Wiring wiring = [Singleton.Of<SystemClock>().ResolvedDirectly(), Singleton.Of<Chicken>(), Singleton.Of<Egg>()];

        Assert.Equal(["FirstFixTests.Chicken"], Assert.Single(wiring.Check().Warnings).Candidates);
    }

    [Fact]
    public void What_has_a_warm_up_is_not_unused()
    {
        Wiring wiring =
        [
            Singleton.Of<SystemClock>().ResolvedDirectly(),
            Singleton.Of<BerthPlanner>().WarmUp((_, _) => Task.CompletedTask),
            Singleton.Of<IBerthLedger, MemoryLedger>(),
        ];

        Assert.Empty(wiring.Check().Warnings);
    }

    [Fact]
    public void Class_that_takes_the_service_that_it_is_registered_for_is_offered_as_a_decorator()
    {
        Wiring wiring = [Singleton.Of<IBell, MuffledBell>()];

        Fix fix = Assert.Single(wiring.Check().Faults).Fixes[0];

        Assert.Equal("Decorator.Of<FirstFixTests.IBell, FirstFixTests.MuffledBell>()", fix.Code);
    }

    [Fact]
    public void Decorators_and_composites_are_not_offered_as_the_only_implementation()
    {
        Wiring wiring = [Transient.From((IBell bell) => new object())];

        Assert.Equal(
            "Transient.Of<FirstFixTests.IBell, FirstFixTests.PlainBell>()",
            Assert.Single(Assert.Single(wiring.Check().Faults).Fixes).Code);
    }

    [Fact]
    public void Alias_of_a_class_that_is_not_registered_asks_for_that_class_with_the_lifetime_of_its_consumer()
    {
        Wiring wiring = [Alias.Of<IClock, SystemClock>(), Singleton.From((IClock clock) => new object())];

        Fix fix = Assert.Single(wiring.Check().Faults, fault => fault.Code == "JV101").Fixes[0];

        Assert.Equal("Singleton.Of<SystemClock>()", fix.Code);
    }

    [Fact]
    public void Replacement_of_a_marked_registration_is_offered_its_mark()
    {
        Wiring wiring = [Singleton.Of<IClock, SystemClock>().Marked("quay"), Singleton.Of<IClock, TideClock>().Replacing()];

        Fault fault = Assert.Single(wiring.Check().Faults);

        Assert.Equal(("JV203", ".Marked(\"quay\")"), (fault.Code, Assert.Single(fault.Fixes).Code));
    }

    [Theory]
    [InlineData("northbay")]
    [InlineData("north-bey")]
    public void Mistyped_mark_is_offered_the_right_one_and_no_other(string mistyped)
    {
        using Container container = new Wiring
        {
            Singleton.Of<IClock, SystemClock>().Marked("north-bay"),
            Singleton.Of<IClock, TideClock>().Marked("harbour mouth"),
        }.Build();

        Fault fault = Assert.Throws<ResolveException>(() => container.Resolve<IClock>(mistyped)).Fault;

        Assert.Equal("[Marked(\"north-bay\")] IClock wanted", Assert.Single(fault.Fixes).Code);
    }

    [Fact]
    public void Fresh_scope_of_something_missing_asks_for_a_scoped_registration()
    {
        Wiring wiring = [Singleton.From((FreshScope<IBerthLedger> ledger) => new object())];

        Assert.StartsWith("Scoped.Of<IBerthLedger, ", Assert.Single(wiring.Check().Faults).Fixes[0].Code, StringComparison.Ordinal);
    }

    [Fact]
    public void Types_of_the_base_library_are_offered_as_people_register_them()
    {
        Wiring wiring =
        [
            Singleton.From((TimeProvider time) => new object()),
            Singleton.From((Random random) => new Tuple<int>(1)),
            Singleton.From((Stream stream) => new Tuple<string>("")),
        ];

        Assert.Equal(
            ["Singleton.Value(TimeProvider.System)", "Singleton.Value(Random.Shared)", "Singleton.From(Stream () => …)"],
            wiring.Check().Faults.Select(fault => fault.Fixes[0].Code));
    }

    [Fact]
    public void Optional_number_is_no_news_and_an_optional_service_gets_its_default()
    {
        Wiring wiring = [Transient.Of<Foghorn>()];

        Fault note = Assert.Single(wiring.Check().Notes);

        Assert.Equal("IClock is optional, and not registered: FirstFixTests.Foghorn gets its default", note.Summary);
    }

    public interface IBell;

    public sealed class PlainBell : IBell;

    public sealed class MuffledBell(IBell inner) : IBell
    {
        public IBell Inner { get; } = inner;
    }

    public sealed class Carillon(IReadOnlyList<IBell> bells) : IBell
    {
        public IReadOnlyList<IBell> Bells { get; } = bells;
    }

    public sealed record ClockShelf(IReadOnlyList<IClock> Clocks);

    public sealed record Foghorn(IClock? Clock = null, int Blasts = 3);

    public sealed record Chicken(Lazy<Egg> Egg);

    public sealed record Egg(Lazy<Chicken> Chicken);
}
