using Junctivor.Checks;

namespace Junctivor.Tests.Registering;

public class SelectionTests
{
    [Fact]
    public void What_replaces_takes_the_place_of_all_before_it_also_in_lists()
    {
        using Container container = new Wiring
        {
            Singleton.Of<IClock, SystemClock>(),
            Singleton.Of<IClock, StoppedClock>(),
            Singleton.Of<IClock, FastClock>().Marked("fast"),
            Singleton.Of<IClock, TideClock>().Replacing(),
            Singleton.Of<IClock, SlowClock>(),
        }.Build();

        Assert.Equal([typeof(TideClock), typeof(SlowClock)], container.Resolve<IReadOnlyList<IClock>>().Select(clock => clock.GetType()));
        Assert.IsType<FastClock>(container.Resolve<IClock>("fast"));
    }

    [Fact]
    public void Of_several_services_only_that_one_is_replaced()
    {
        using Container container = new Wiring
        {
            Singleton.Of<MemoryLedger>().Also<IBerthLedger>(),
            Singleton.Of<IBerthLedger, PaperLedger>().Replacing(),
        }.Build();

        Assert.IsType<PaperLedger>(container.Resolve<IBerthLedger>());
        Assert.NotNull(container.Resolve<MemoryLedger>());
    }

    [Fact]
    public void What_is_replaced_is_not_checked_any_more()
    {
        Wiring wiring = [Singleton.Of<IBerthLedger, NeedyLedger>(), Singleton.Of<IBerthLedger, PaperLedger>().Replacing()];

        Assert.True(wiring.Check().IsSound);
    }

    [Fact]
    public void Replacing_nothing_is_a_fault_that_knows_what_stands_behind_it()
    {
        Wiring wiring = [Singleton.Of<IClock, TideClock>().Replacing(), Singleton.Of<IClock, SystemClock>()];

        Fault fault = Assert.Single(wiring.Check().Errors);

        Assert.Equal("JV203", fault.Code);
        Assert.Contains("move it after SystemClock", Assert.Single(fault.Fixes).ToString(), StringComparison.Ordinal);
    }

    [Fact]
    public void Replacing_one_of_two_services_is_enough()
    {
        Wiring wiring = [Singleton.Of<IBerthLedger, PaperLedger>(), Singleton.Of<MemoryLedger>().Also<IBerthLedger>().Replacing()];

        Assert.True(wiring.Check().IsSound);
    }

    [Fact]
    public void If_missing_looks_at_the_whole_wiring()
    {
        Wiring fallback = [Singleton.Of<IClock, SystemClock>().IfMissing()];
        using Container without = fallback.Build();
        using Container with = new Wiring { fallback.Single(), Singleton.Of<IClock, TideClock>() }.Build();

        Assert.IsType<SystemClock>(without.Resolve<IClock>());
        Assert.IsType<TideClock>(with.Resolve<IClock>());
        Assert.Single(with.Resolve<IReadOnlyList<IClock>>());
    }

    [Fact]
    public void Two_IfMissing_registrations_are_ambiguous()
    {
        Wiring wiring =
        [
            Singleton.Of<IClock, SystemClock>().IfMissing(),
            Singleton.Of<IClock, TideClock>().IfMissing(),
            Transient.From((IClock clock) => new object()),
        ];

        Assert.Equal("JV202", Assert.Single(wiring.Check().Errors).Code);
    }

    [Fact]
    public void The_first_choice_is_taken_where_one_is_required_and_lists_have_all()
    {
        using Container container = new Wiring
        {
            Singleton.Of<IClock, SystemClock>(),
            Singleton.Of<IClock, TideClock>().FirstChoice(),
        }.Build();

        Assert.IsType<TideClock>(container.Resolve<IClock>());
        Assert.Equal([typeof(SystemClock), typeof(TideClock)], container.Resolve<IClock[]>().Select(clock => clock.GetType()));
    }

    [Fact]
    public void Two_first_choices_are_ambiguous()
    {
        Wiring wiring =
        [
            Singleton.Of<IClock, SystemClock>().FirstChoice(),
            Singleton.Of<IClock, TideClock>().FirstChoice(),
            Transient.From((IClock clock) => new object()),
        ];

        Assert.Contains(
            "keep .FirstChoice() on only one", Assert.Single(wiring.Check().Errors).Fixes[0].ToString(), StringComparison.Ordinal);
    }

    [Fact]
    public void Only_for_one_class_beats_the_others_there_and_is_absent_elsewhere()
    {
        using Container container = new Wiring
        {
            Singleton.Of<IClock, SystemClock>(),
            Singleton.Of<IClock, TideClock>().OnlyFor<TideDesk>(),
            Transient.Of<TideDesk>(),
            Transient.Of<OtherDesk>(),
        }.Build();

        Assert.IsType<TideClock>(container.Resolve<TideDesk>().Clock);
        Assert.IsType<TideClock>(container.Resolve<TideDesk>().Later());
        Assert.IsType<SystemClock>(container.Resolve<OtherDesk>().Clock);
        Assert.IsType<SystemClock>(container.Resolve<IClock>());
        Assert.IsType<SystemClock>(Assert.Single(container.Resolve<IReadOnlyList<IClock>>()));
    }

    [Fact]
    public void Only_for_a_generic_class_means_each_closing_of_it()
    {
        using Container container = new Wiring
        {
            Singleton.Of<IClock, SystemClock>(),
            Singleton.Of<IClock, TideClock>().OnlyFor(typeof(DeskFor<>)),
            Transient.Of<DeskFor<int>>(),
        }.Build();

        Assert.IsType<TideClock>(container.Resolve<DeskFor<int>>().Clock);
    }

    [Fact]
    public void What_is_not_enabled_is_left_out()
    {
        Wiring wiring = [Singleton.Of<IClock, SystemClock>().Enabled(false), .. Wiring.If(false, [Singleton.Of<IClock, TideClock>()])];
        using Container container = wiring.Build();

        Assert.False(container.TryResolve<IClock>(out _));
    }

    [Theory]
    [InlineData(true)]
    [InlineData(false)]
    public void A_module_that_is_left_out_is_not_created(bool isRehearsal)
    {
        int created = 0;
        Wiring wiring =
        [
            .. Wiring.If(isRehearsal, () =>
            {
                created++;
                return [Singleton.Of<IClock, TideClock>()];
            }),
        ];

        Assert.Equal((isRehearsal ? 1 : 0, isRehearsal ? 1 : 0), (created, wiring.Count));
    }

    [Fact]
    public void The_same_class_for_the_same_service_twice_is_a_warning()
    {
        Wiring wiring = [Singleton.Of<IClock, SystemClock>(), Singleton.Of<IClock, SystemClock>()];

        Assert.Equal("JV204", Assert.Single(wiring.Check().Warnings).Code);
        Assert.True(wiring.Check().IsSound);
        Assert.False(wiring.Check(new BuildOptions { WarningsAreErrors = true }).IsSound);
        Assert.Throws<WiringException>(() => wiring.Build(new BuildOptions { WarningsAreErrors = true }));
        wiring.Add(Transient.Of<OtherDesk>());
        Assert.Equal("JV202", Assert.Single(wiring.Check().Errors).Code);
    }

    [Fact]
    public void Constants_are_passed_by_name_or_by_type()
    {
        using Container container = new Wiring
        {
            Singleton.Of<IClock, SystemClock>(),
            Transient.Of<Crane>().Passing("tons", 12).Passing("the mole"),
        }.Build();

        Crane crane = container.Resolve<Crane>();

        Assert.Equal((12, 3, "the mole"), (crane.Tons, crane.Metres, crane.Place));
    }

    [Theory]
    [InlineData("weight", 12, "has no constructor parameter 'weight'")]
    [InlineData("tons", "12", "'tons' of SelectionTests.Crane is of type int, but a value of type string is passed")]
    public void A_constant_that_fits_no_parameter_is_a_fault(string name, object value, string why)
    {
        Wiring wiring = [Singleton.Of<IClock, SystemClock>(), Transient.Of<Crane>().Passing("the mole").Passing("tons", 1)];
        Wiring wrong = [Singleton.Of<IClock, SystemClock>(), value is int number ? Passing(number) : Passing((string)value)];

        Assert.True(wiring.Check().IsSound);
        Fault fault = Assert.Single(wrong.Check().Errors, fault => fault.Code == "JV106");
        Assert.Contains(why, fault.Summary, StringComparison.Ordinal);

        Registration<Crane> Passing<T>(T passed) => Transient.Of<Crane>().Passing("the mole").Passing(name, passed);
    }

    [Fact]
    public void A_constant_by_type_for_two_parameters_is_a_fault()
    {
        Wiring wiring = [Transient.Of<Pair>().Passing(4)];

        Assert.Contains(
            "2 constructor parameters of type int: port, starboard", wiring.Check().Errors.Single(fault => fault.Code == "JV106").Summary,
            StringComparison.Ordinal);
    }

    [Fact]
    public void What_no_root_reaches_is_reported_where_roots_are_named()
    {
        Wiring wiring =
        [
            Transient.Of<OtherDesk>().ResolvedDirectly(),
            Singleton.Of<IClock, SystemClock>(),
            Decorator.Of<IClock, ClockCase>(),
            Singleton.Of<MemoryLedger>(),
        ];

        Fault fault = Assert.Single(wiring.Check().Warnings);

        Assert.Equal(("JV501", "MemoryLedger"), (fault.Code, Assert.Single(fault.Candidates)));
    }

    [Fact]
    public void What_is_decorated_and_reached_by_no_root_is_reported_once()
    {
        Wiring wiring =
        [
            Transient.Of<BerthPlanner>().ResolvedDirectly(),
            Singleton.Of<IBerthLedger, MemoryLedger>(),
            Singleton.Of<IClock, SystemClock>(),
            Decorator.Of<IClock, ClockCase>(),
        ];

        Fault fault = Assert.Single(wiring.Check().Warnings);

        Assert.Equal(("JV501", "SystemClock"), (fault.Code, Assert.Single(fault.Candidates)));
    }

    [Fact]
    public void Options_without_an_effect_are_faults()
    {
        Wiring wiring =
        [
            Singleton.From(() => 4).Passing("x", 1),
            Scoped.Incoming<SystemClock>().SuppliedLater(),
            Scoped.Of<TideClock>().WarmUp((_, _) => Task.CompletedTask),
            Singleton.From(() => new Func<int>(() => 1)),
            Singleton.From(() => new Lazy<string>("x")),
        ];

        Assert.All(wiring.Check().Errors, fault => Assert.Equal("JV109", fault.Code));
        Assert.Equal(5, wiring.Check().Errors.Count);
    }

    public sealed class StoppedClock : IClock;

    public sealed class FastClock : IClock;

    public sealed class SlowClock : IClock;

    public sealed class PaperLedger : IBerthLedger;

    public sealed class NeedyLedger(Caller caller) : IBerthLedger
    {
        public Caller Caller { get; } = caller;
    }

    public sealed class TideDesk(IClock clock, Func<IClock> later)
    {
        public IClock Clock { get; } = clock;

        public Func<IClock> Later { get; } = later;
    }

    public sealed class OtherDesk(IClock clock)
    {
        public IClock Clock { get; } = clock;
    }

    public sealed class DeskFor<T>(IClock clock)
    {
        public IClock Clock { get; } = clock;

        public T? For { get; }
    }

    public sealed class ClockCase(IClock inner) : IClock
    {
        public IClock Inner { get; } = inner;
    }

    public sealed class Crane(IClock clock, int tons, string place, int metres = 3)
    {
        public IClock Clock { get; } = clock;

        public int Tons { get; } = tons;

        public string Place { get; } = place;

        public int Metres { get; } = metres;
    }

    public sealed record Pair(int port, int starboard);
}
