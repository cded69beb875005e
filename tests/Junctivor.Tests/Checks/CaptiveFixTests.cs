using Junctivor.Checks;

namespace Junctivor.Tests.Checks;

/// <summary>The right fix for each case of JV301, and never one that would be wrong.</summary>
public class CaptiveFixTests
{
    private static readonly ScopeLevel DutyShift = new("duty shift");

    [Theory]
    [InlineData(typeof(Stateless), true)]
    [InlineData(typeof(Settable), false)]
    [InlineData(typeof(Closing), false)]
    [InlineData(typeof(OfCaller), false)]
    public void Singleton_is_offered_only_for_services_without_scoped_dependencies(Type ledger, bool isOffered)
    {
        Wiring wiring = [Scoped.Incoming<Caller>(), Scoped.Of(typeof(IBerthLedger), ledger), Singleton.Of<Job>()];

        Fault fault = Captive(wiring);

        Assert.Equal(isOffered, fault.Fixes.Any(fix => fix.Code?.StartsWith("Singleton.", StringComparison.Ordinal) == true));
        Assert.StartsWith("FreshScope<IBerthLedger> ledger", fault.Fixes[0].Code, StringComparison.Ordinal);
        Assert.DoesNotContain(fault.Fixes, fix => fix.Code?.StartsWith("Func<", StringComparison.Ordinal) == true);
    }

    [Fact]
    public void A_fresh_scope_fix_names_the_values_that_it_needs() =>
        Assert.Contains(
            ", [Incoming.Value<Caller>(…)]);",
            Captive([Scoped.Incoming<Caller>(), Scoped.Of<IBerthLedger, OfCaller>(), Singleton.Of<Job>()]).Fixes[0].Code,
            StringComparison.Ordinal);

    [Fact]
    public void Several_parameters_that_need_a_value_are_moved_by_hand_with_that_value()
    {
        Wiring wiring =
        [
            Scoped.Incoming<Caller>(), Scoped.Of<IBerthLedger, OfCaller>(), Scoped.Of<MemoryLedger>(),
            Singleton.Of<BusyJob>(),
        ];

        Fix fix = Captive(wiring).Fixes[0];

        Assert.EndsWith("\nawait work.RunAsync(fresh => …, [Incoming.Value<Caller>(…)]);", fix.Code, StringComparison.Ordinal);
        Assert.Empty(fix.Edits);
    }

    [Fact]
    public void A_value_of_one_request_is_better_passed_to_methods()
    {
        Fault fault = Captive([Scoped.Incoming<Caller>(), Singleton.From((Caller caller) => new Stateless())]);

        Assert.StartsWith(
            "pass it to the methods of Stateless that need it, as a parameter",
            fault.Fixes[0].Advice.Replace("CaptiveFixTests.", "", StringComparison.Ordinal), StringComparison.Ordinal);
        Assert.Equal("Caller caller", fault.Fixes[0].Code);
    }

    [Fact]
    public void Service_of_a_level_is_not_available_in_a_fresh_scope()
    {
        Fault fault = Captive([DutyShift.Of<IBerthLedger, Settable>(), Singleton.Of<Job>()]);

        Assert.Equal("await using Scope dutyShift = container.StartScope(DutyShift);", fault.Fixes[0].Code);
        Assert.Contains(fault.Fixes, fix => fix.Code == "DutyShift.Of<CaptiveFixTests.Job>()");
        Assert.DoesNotContain(fault.Fixes, fix => fix.Code?.Contains("FreshScope", StringComparison.Ordinal) == true);
    }

    [Fact]
    public void A_shorter_life_is_not_offered_to_what_others_hold_or_what_is_warmed_up()
    {
        Wiring held = [Scoped.Of<IBerthLedger, Settable>(), Singleton.Of<Job>(), Singleton.From((Job job) => new object())];
        Wiring warmed = [Scoped.Of<IBerthLedger, Settable>(), Singleton.Of<Job>().WarmUp((_, _) => Task.CompletedTask)];

        Assert.Single(Captive(held).Fixes);
        Assert.Single(Captive(warmed).Fixes);
    }

    [Fact]
    public void All_that_is_held_by_one_parameter_is_one_fault()
    {
        Wiring wiring =
        [
            Scoped.Incoming<Caller>(), Scoped.Of<IBerthLedger, Settable>(),
            Transient.From((IBerthLedger ledger, Caller caller) => new Tuple<string>("")),
            Singleton.From((Tuple<string> both) => new object()),
        ];

        Fault fault = Captive(wiring);

        Assert.Equal(["object", "Tuple<string>", "IBerthLedger", "Caller"], fault.Path.Select(step => step.Name));
        Assert.Equal(
            "FreshScope<Tuple<string>> both\nawait both.RunAsync(work, [Incoming.Value<Caller>(…)]);", fault.Fixes[0].Code);
        Assert.Contains("A transient lives as long as its holder", fault.Remarks[0], StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("Func")]
    [InlineData("Lazy")]
    public void A_captive_wrapper_is_said_not_to_help(string wrapper)
    {
        Wiring wiring =
        [
            Scoped.Of<IBerthLedger, Settable>(),
            wrapper == "Func"
                ? Singleton.From((Func<IBerthLedger> ledger) => new object())
                : Singleton.From((Lazy<IBerthLedger> ledger) => new object()),
        ];

        Fault fault = Captive(wiring);

        Assert.StartsWith($"A {wrapper} does not help", fault.Remarks[0], StringComparison.Ordinal);
        Assert.Equal("FreshScope<IBerthLedger> ledger", fault.Fixes[0].Code);
    }

    [Fact]
    public void A_list_is_taken_whole_from_a_fresh_scope() =>
        Assert.Equal(
            "FreshScope<IReadOnlyList<IBerthLedger>> ledgers",
            Captive([Scoped.Of<IBerthLedger, Settable>(),
                Singleton.From((IReadOnlyList<IBerthLedger> ledgers) => new object())]).Fixes[0].Code);

    [Fact]
    public void A_singleton_that_takes_a_scope_is_offered_the_container() =>
        Assert.Equal("Container scope", Captive([Singleton.From((Scope scope) => new object())]).Fixes[0].Code);

    private static Fault Captive(Wiring wiring) => Assert.Single(wiring.Check().Errors, fault => fault.Code == "JV301");

    public sealed record Job(IBerthLedger ledger);

    public sealed record BusyJob(IBerthLedger ledger, MemoryLedger pages);

    public sealed class Stateless : IBerthLedger;

    public sealed class Settable : IBerthLedger
    {
        public int Page { get; set; }
    }

    public sealed class Closing : IBerthLedger, IDisposable
    {
        public void Dispose()
        {
        }
    }

    public sealed class OfCaller(Caller caller) : IBerthLedger
    {
        public string Name => caller.Name;
    }
}
