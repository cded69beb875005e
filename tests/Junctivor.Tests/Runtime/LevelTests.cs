using Junctivor.Checks;

namespace Junctivor.Tests.Runtime;

public class LevelTests
{
    private static readonly ScopeLevel DutyShift = new("duty shift");
    private static readonly ScopeLevel Visit = new("visit", within: DutyShift);
    private static readonly ScopeLevel Regatta = new("regatta");

    [Fact]
    public void Each_levels_instances_live_as_long_as_its_scope()
    {
        List<string> ended = [];
        using Container container = Office(ended).Build();
        Scope shift = container.StartScope(DutyShift);
        Scope request = shift.StartScope();
        Scope another = shift.StartScope();

        Desk desk = request.Resolve<Desk>();

        Assert.Same(desk.Roster, another.Resolve<Desk>().Roster);
        Assert.NotSame(desk, another.Resolve<Desk>());
        Assert.Same(DutyShift, shift.Level);
        Assert.Null(request.Level);
        using Scope next = container.StartScope(DutyShift);
        Assert.NotSame(desk.Roster, next.Resolve<Roster>());

        request.Dispose();
        Assert.Equal(["desk"], ended);
        another.Dispose();
        shift.Dispose();
        Assert.Equal(["desk", "desk", "roster"], ended);
        Assert.Throws<ObjectDisposedException>(() => shift.StartScope());
    }

    [Fact]
    public void A_level_within_another_is_entered_only_there()
    {
        using Container container =
            new Wiring
            {
                DutyShift.Of<Roster>(), Visit.From((Roster roster) => Tuple.Create(roster)), Singleton.Value(new List<string>()),
            }.Build();
        using Scope shift = container.StartScope(DutyShift);
        using Scope visit = shift.StartScope(Visit);
        using Scope request = visit.StartScope();

        Assert.Same(shift.Resolve<Roster>(), request.Resolve<Tuple<Roster>>().Item1);
        AssertOutOfPlace(() => container.StartScope(Visit));
        AssertOutOfPlace(() => shift.StartScope(DutyShift));
        AssertOutOfPlace(() => visit.StartScope(Visit));
        AssertOutOfPlace(() => request.StartScope(Visit));
        AssertOutOfPlace(() => shift.StartScope(Regatta));
        AssertOutOfPlace(() => container.StartScope().StartScope(DutyShift));
    }

    [Fact]
    public void What_needs_a_level_says_so_where_the_level_is_not_around()
    {
        using Container container = Office([]).Build();
        using Scope request = container.StartScope();

        ResolveException thrown = Assert.Throws<ResolveException>(request.Resolve<Desk>);

        Fault fault = Assert.Single(thrown.Report.Errors);
        Assert.Equal("JV305", fault.Code);
        Assert.Equal(["LevelTests.Desk", "LevelTests.Roster"], fault.Path.Select(step => step.Name));
    }

    [Fact]
    public void Something_scoped_needs_a_default_scope_within_the_level()
    {
        using Container container = Office([]).Build();
        using Scope shift = container.StartScope(DutyShift);

        Assert.Equal("JV302", Assert.Throws<ResolveException>(shift.Resolve<Desk>).Report.Errors[0].Code);
    }

    [Fact]
    public void The_captive_check_knows_all_levels()
    {
        Assert.Equal("JV301", OnlyCode(DutyShift.Of<SystemClock>(), Singleton.From((SystemClock clock) => new object())));
        Assert.Equal("JV301", OnlyCode(Scoped.Of<SystemClock>(), DutyShift.From((SystemClock clock) => new object())));
        Assert.Equal("JV301", OnlyCode(Visit.Of<SystemClock>(), DutyShift.From((SystemClock clock) => new object())));
        Assert.Null(OnlyCode(DutyShift.Of<SystemClock>(), Visit.From((SystemClock clock) => new object())));
        Assert.Null(OnlyCode(DutyShift.Of<SystemClock>(), Scoped.From((SystemClock clock) => new object())));
    }

    [Fact]
    public void Fixes_name_a_level_as_its_field_would_be_named()
    {
        Wiring wiring = [DutyShift.Of<BookingDesk>(), DutyShift.Of<BerthPlanner>()];

        Assert.Contains(
            "register it: DutyShift.Of<IBerthLedger, MemoryLedger>()", wiring.Check().Errors[0].Fixes[0].ToString(),
            StringComparison.Ordinal);
    }

    [Fact]
    public void Two_levels_apart_cannot_be_needed_together()
    {
        Assert.Equal(
            "JV305",
            OnlyCode(
                DutyShift.Of<SystemClock>(), Regatta.Of<TideClock>(), Scoped.From((SystemClock one, TideClock other) => new object())));
        Assert.Equal("JV305", OnlyCode(DutyShift.Of<SystemClock>(), Regatta.From((SystemClock clock) => new object())));
    }

    [Fact]
    public void A_levels_incoming_values_are_supplied_on_starting_it_and_seen_by_inner_scopes()
    {
        using Container container = new Wiring { DutyShift.Incoming<Caller>(), Scoped.Incoming<Caller>().Marked("guest") }.Build();
        using Scope shift = container.StartScope(DutyShift, Incoming.Value(new Caller("Mira")));
        using Scope request = shift.StartScope(Incoming.Value(new Caller("Odd")).Marked("guest"));

        Assert.Equal("Mira", request.Resolve<Caller>().Name);
        Assert.Equal("Odd", request.Resolve<Caller>("guest").Name);
        Fault misplaced = Assert.Throws<ResolveException>(() => shift.StartScope(Incoming.Value(new Caller("Tove")))).Report.Errors[0];
        Assert.Equal("JV107", misplaced.Code);
        Assert.Contains("StartScope(DutyShift, Incoming.Value<Caller>(…))", misplaced.Fixes[0].ToString(), StringComparison.Ordinal);
    }

    [Fact]
    public void An_outer_scope_that_ends_first_leaves_inner_ones_and_what_it_owned_cannot_be_had()
    {
        using Container container =
            new Wiring { Singleton.Value(new List<string>()), DutyShift.Of<Roster>(), Scoped.Of<Desk>(), Scoped.Of<SystemClock>() }.Build();
        Scope shift = container.StartScope(DutyShift);
        using Scope request = shift.StartScope();

        shift.Dispose();

        Assert.NotNull(request.Resolve<SystemClock>());
        Assert.Throws<ObjectDisposedException>(request.Resolve<Desk>);
    }

    [Fact]
    public void A_fresh_scope_of_a_level_nests_in_its_scope()
    {
        using Container container =
            new Wiring
            {
                Singleton.Value(new List<string>()), DutyShift.Of<Roster>(), Scoped.Of<Desk>(),
                DutyShift.From((FreshScope<Desk> desks) => Tuple.Create(desks)),
            }.Build();
        using Scope shift = container.StartScope(DutyShift);

        Roster roster = shift.Resolve<Tuple<FreshScope<Desk>>>().Item1.Run(desk => desk.Roster);

        Assert.Same(shift.Resolve<Roster>(), roster);
    }

    [Fact]
    public void Each_of_many_nested_levels_may_hold_what_lives_in_the_levels_around_it()
    {
        const int Depth = 40;
        List<ScopeLevel> levels = [];
        List<ScopeLevel> apart = [];
        for (int depth = 0; depth < Depth; depth++)
        {
            levels.Add(new ScopeLevel($"level {depth}", levels.LastOrDefault()));
            apart.Add(new ScopeLevel($"other {depth}", depth < Depth / 2 ? levels[depth] : apart[^1]));
        }

        for (int held = 0; held < Depth; held++)
        {
            for (int holder = 0; holder < Depth; holder++)
            {
                Assert.Equal(
                    held > holder ? "JV301" : null,
                    OnlyCode(levels[held].From(() => new List<string>()), levels[holder].Of<Roster>()));
            }

            bool isAround = held <= Depth / 2 - 1;
            Assert.Equal(isAround ? null : "JV305", OnlyCode(levels[held].From(() => new List<string>()), apart[^1].Of<Roster>()));
        }
    }

    private static Wiring Office(List<string> ended) => [Singleton.Value(ended), DutyShift.Of<Roster>(), Scoped.Of<Desk>()];

    private static string? OnlyCode(params Registration[] registrations)
    {
        Wiring wiring = [.. registrations];
        return wiring.Check().Errors.SingleOrDefault()?.Code;
    }

    private static void AssertOutOfPlace(Func<Scope> start) =>
        Assert.Equal("JV305", Assert.Throws<ResolveException>(start).Report.Errors[0].Code);

    public sealed class Roster(List<string> ended) : IDisposable
    {
        public void Dispose() => ended.Add("roster");
    }

    public sealed class Desk(Roster roster, List<string> ended) : IDisposable
    {
        public Roster Roster { get; } = roster;

        public void Dispose() => ended.Add("desk");
    }
}
