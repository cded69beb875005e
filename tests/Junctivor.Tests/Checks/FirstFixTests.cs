using Junctivor.Checks;

namespace Junctivor.Tests.Checks;

/// <summary>The first fix keeps what the program does; a fix that loses something comes last and says what is lost.</summary>
public class FirstFixTests
{
    [Fact]
    public void Ambiguous_offers_a_default_first_and_the_removal_last()
    {
        Wiring wiring = [Singleton.Of<IClock, SystemClock>(), Singleton.Of<IClock, TideClock>(),
            Transient.From((IClock clock) => new object())];

        Fault fault = Assert.Single(wiring.Check().Errors);

        Assert.Equal(".FirstChoice()", fault.Fixes[0].Code);
        Assert.Equal("keep one and remove the others, which can then no longer be used", fault.Fixes[^1].Advice);
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
                Assert.Single(wiring.Check().Errors).Fixes, fix => fix.Code?.StartsWith("[Marked", StringComparison.Ordinal) == true);

        Assert.Equal("[Marked(\"sunrise\")] IClock sunrise", marks.Code);
        Assert.Contains(
            "in the list that FirstFixTests.ClockShelf takes only if that has [IncludingMarked]", marks.Advice, StringComparison.Ordinal);
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

        Fix fix = Assert.Single(wiring.Check().Errors).Fixes[0];

        Assert.Equal("Decorator.Of<FirstFixTests.IBell, FirstFixTests.MuffledBell>()", fix.Code);
    }

    [Fact]
    public void Decorators_and_composites_are_not_offered_as_the_only_implementation()
    {
        Wiring wiring = [Transient.From((IBell bell) => new object())];

        Assert.Equal(
            "Transient.Of<FirstFixTests.IBell, FirstFixTests.PlainBell>()",
            Assert.Single(Assert.Single(wiring.Check().Errors).Fixes).Code);
    }

    [Fact]
    public void Alias_of_a_class_that_is_not_registered_asks_for_that_class_with_the_lifetime_of_its_consumer()
    {
        Wiring wiring = [Alias.Of<IClock, SystemClock>(), Singleton.From((IClock clock) => new object())];

        Fix fix = Assert.Single(wiring.Check().Errors, fault => fault.Code == "JV101").Fixes[0];

        Assert.Equal("Singleton.Of<SystemClock>()", fix.Code);
    }

    [Fact]
    public void Replacement_of_a_marked_registration_is_offered_its_mark()
    {
        Wiring wiring = [Singleton.Of<IClock, SystemClock>().Marked("quay"), Singleton.Of<IClock, TideClock>().Replacing()];

        Fault fault = Assert.Single(wiring.Check().Errors);

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

        Assert.StartsWith("Scoped.Of<IBerthLedger, ", Assert.Single(wiring.Check().Errors).Fixes[0].Code, StringComparison.Ordinal);
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
            wiring.Check().Errors.Select(fault => fault.Fixes[0].Code));
    }

    [Fact]
    public void Optional_number_is_no_news_and_an_optional_service_gets_its_default()
    {
        Wiring wiring = [Transient.Of<Foghorn>()];

        Fault note = Assert.Single(wiring.Check().Notes);

        Assert.Equal("IClock is optional, and not registered: FirstFixTests.Foghorn gets its default", note.Summary);
    }

    [Theory]
    [InlineData(typeof(ILot<string>), typeof(NumberLot<>), "where T : struct', and string is not a struct.")]
    [InlineData(typeof(ILot<int>), typeof(ObjectLot<>), "where T : class', and int is a struct.")]
    [InlineData(typeof(ILot<Caller>), typeof(NewLot<>), "where T : new()', and Caller has no public constructor without parameters.")]
    [InlineData(typeof(ILot<TideClock>), typeof(BellLot<>), "where T : FirstFixTests.IBell', and TideClock does not implement it.")]
    [InlineData(typeof(ILot<TideClock>), typeof(Pair<,>), "does not determine the type parameter T2 of FirstFixTests.Pair<T, T2>.")]
    public void Constraint_that_fails_is_named_with_the_type_that_fails_it(Type service, Type open, string reason)
    {
        using Container container = new Wiring { Singleton.Of(typeof(ILot<>), open) }.Build();

        Fault fault = Assert.Throws<ResolveException>(() => container.Resolve(service)).Fault;

        Assert.Equal("JV206", fault.Code);
        Assert.EndsWith(reason, fault.Remarks[0], StringComparison.Ordinal);
    }

    [Fact]
    public void Constraint_of_an_interface_is_fixed_by_implementing_it()
    {
        Wiring wiring = [Singleton.Of(typeof(ILot<>), typeof(BellLot<>)), Singleton.From((ILot<TideClock> lot) => new object())];

        Assert.Equal("change TideClock to implement FirstFixTests.IBell", Assert.Single(wiring.Check().Errors).Fixes[0].Advice);
    }

    [Fact]
    public void Captive_service_whose_dependency_is_missing_is_not_offered_for_all()
    {
        Wiring wiring = [Singleton.Of<Night>(), Scoped.Of<BerthPlanner>()];

        Fault captive = Assert.Single(wiring.Check().Errors, fault => fault.Code == "JV301");

        Assert.DoesNotContain(captive.Fixes, fix => fix.Code == "Singleton.Of<BerthPlanner>()");
        Wiring whole = [.. wiring, Singleton.Of<IBerthLedger, MemoryLedger>()];
        Assert.Contains(whole.Check().Errors[0].Fixes, fix => fix.Code == "Singleton.Of<BerthPlanner>()");
    }

    [Fact]
    public void Decorator_that_is_registered_twice_is_a_warning_unless_the_marks_differ()
    {
        Wiring wiring =
        [
            Singleton.Of<IBell, PlainBell>(),
            Decorator.Of<IBell, MuffledBell>(),
            Decorator.Of<IBell, MuffledBell>(),
            Decorator.Of<IBell, MuffledBell>().Marked("fog"),
            Singleton.Of<IBell, PlainBell>().Marked("fog"),
        ];

        Fault fault = Assert.Single(wiring.Check().Warnings);

        Assert.Equal(
            ("JV204", "FirstFixTests.MuffledBell decorates FirstFixTests.IBell 2 times"),
            (fault.Code, fault.Summary));
    }

    [Fact]
    public void Options_that_contradict_themselves_are_faults()
    {
        Wiring wiring =
        [
            Singleton.Of<LedgerFile>().Passing("folder", "a").Passing("folder", "b"),
            Singleton.Of<IClock, SystemClock>().OnlyFor<IBell>(),
        ];

        Assert.Equal(
            [
                "LedgerFile: Passing sets folder 2 times",
                "SystemClock: OnlyFor names FirstFixTests.IBell, which is an interface: name the class that takes the service",
            ],
            wiring.Check().Errors.Select(fault => fault.Summary));
    }

    public interface ILot<T>;

    public sealed class NumberLot<T> : ILot<T>
        where T : struct;

    public sealed class ObjectLot<T> : ILot<T>
        where T : class;

    public sealed class NewLot<T> : ILot<T>
        where T : new();

    public sealed class BellLot<T> : ILot<T>
        where T : IBell;

    public sealed class Pair<T, T2> : ILot<T>;

    public sealed record Night(BerthPlanner Planner);

    [Fact]
    public void Missing_result_of_a_task_is_folded_into_the_fault_of_its_factory()
    {
        Wiring wiring =
        [
            Singleton.From(() => Task.FromResult(new LedgerFile("x"))),
            Singleton.From((LedgerFile file) => new object()),
        ];

        Fault fault = Assert.Single(wiring.Check().Errors);

        Assert.Equal(("JV108", "object requires the result, and would not find it."), (fault.Code, fault.Remarks[0]));
    }

    [Fact]
    public void Two_plain_parameters_of_one_constructor_are_passed_by_one_fix()
    {
        Wiring wiring = [Transient.Of<Basin>()];

        Assert.Equal(".Passing(\"length\", …).Passing(\"depth\", …)", Assert.Single(wiring.Check().Errors).Fixes[0].Code);
    }

    public sealed record Basin(int length, int depth);

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
