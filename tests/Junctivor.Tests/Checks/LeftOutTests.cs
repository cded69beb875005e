using Junctivor.Checks;

namespace Junctivor.Tests.Checks;

/// <summary>What the library knows of a missing service, it says: what was left out, held too long then, or taken by a wrong
/// name.</summary>
public class LeftOutTests
{
    private static readonly ScopeLevel Watch = new("night watch");

    [Fact]
    public void A_registration_that_is_not_enabled_is_said_to_be_left_out()
    {
        Wiring wiring = [Singleton.Of<IBell, Bell>().Enabled(false), Singleton.Of<Tower>()];

        Fault fault = Assert.Single(wiring.Check().Errors);

        Assert.StartsWith("Bell is registered for it at LeftOutTests.cs:", fault.Remarks[0], StringComparison.Ordinal);
        Assert.EndsWith("but .Enabled leaves it out.", fault.Remarks[0], StringComparison.Ordinal);
        Assert.Equal(SourceEditKind.RemoveOption, Assert.Single(fault.Fixes[0].Edits).Kind);
    }

    [Fact]
    public void A_self_registered_class_of_an_assembly_that_is_not_spread_is_spread_first()
    {
        Fault fault = Assert.Single(new Wiring { Transient.From((IHorn horn) => new object()) }.Check().Errors);

        Assert.Contains("has [SelfRegistered], but the wiring does not spread", fault.Remarks[0], StringComparison.Ordinal);
        Assert.Equal(".. SelfRegistered.In<Horn>()", fault.Fixes[0].Code);
    }

    [Fact]
    public void What_would_be_held_too_long_once_it_is_registered_is_said_at_once()
    {
        Wiring wiring = [Scoped.Of<Bell>(), Singleton.Of<Tower>()];

        Fault fault = Assert.Single(wiring.Check().Errors);

        Assert.Equal(
            "Then Tower (singleton) would hold Bell (scoped): see JV301.", fault.Remarks[^1]);
    }

    [Fact]
    public void A_decorator_that_takes_something_missing_in_place_of_its_service_is_one_fault()
    {
        Wiring wiring = [Singleton.Of<IBell, Bell>(), Decorator.Of<IBell, MuffledBell>()];

        Fault fault = Assert.Single(wiring.Check().Errors);

        Assert.Equal("JV205", fault.Code);
        Assert.Equal("IBell inner", fault.Fixes[0].Code);
        Assert.Equal("inner", Assert.Single(fault.Fixes[0].Edits).Parameter);
    }

    [Fact]
    public void A_decorator_of_a_marked_service_is_offered_the_mark()
    {
        Wiring wiring = [Singleton.Of<IBell, Bell>().Marked("north"), Decorator.Of<IBell, LoudBell>().Marked("nord")];

        Fault fault = Assert.Single(wiring.Check().Errors);

        Assert.Equal("JV205", fault.Code);
        Assert.Equal(
            ("change the mark of the decorator to", ".Marked(\"north\")"), (fault.Fixes[0].Advice, fault.Fixes[0].Code));
        Assert.Equal([SourceEditKind.RemoveOption, SourceEditKind.AppendOption], fault.Fixes[0].Edits.Select(edit => edit.Kind));
    }

    [Fact]
    public void A_function_with_arguments_of_a_service_is_met_by_the_class_that_is_registered_as_itself()
    {
        Wiring wiring = [Transient.Of<NumberedBell>(), Singleton.From((Func<int, IBell> cast) => new object())];

        Fault fault = wiring.Check().Errors[0];

        Assert.Equal(".Also<IBell>()", fault.Fixes[0].Code);
    }

    [Fact]
    public void A_level_is_called_as_the_program_calls_it()
    {
        Wiring wiring = [Watch.Of<Bell>(), Singleton.From((Bell bell) => new object())];

        Assert.Equal("await using Scope watch = container.StartScope(Watch);", wiring.Check().Errors[0].Fixes[0].Code);
    }

    private interface IBell;

    private interface IHorn;

    private sealed class Bell : IBell;

    private sealed class NumberedBell(int number) : IBell
    {
        public int Number => number;
    }

    private sealed class LoudBell(IBell inner) : IBell
    {
        public IBell Inner => inner;
    }

    private sealed class MuffledBell(IHorn inner) : IBell
    {
        public IHorn Inner => inner;
    }

    private sealed class Tower(IBell bell)
    {
        public IBell Bell => bell;
    }

    [SelfRegistered<IHorn>(Lifetime.Singleton)]
    private sealed class Horn : IHorn;
}
