using Junctivor.Checks;

namespace Junctivor.Tests.Checks;

public class CaptiveTests
{
    [Fact]
    public void A_singleton_that_takes_something_scoped_holds_it_captive()
    {
        Wiring wiring = [Scoped.Of<IBerthLedger, MemoryLedger>(), Singleton.Of<NightlyInvoicing>()];

        Fault fault = Assert.Single(wiring.Check().Errors);

        Assert.Equal("JV301", fault.Code);
        Assert.Equal("CaptiveTests.NightlyInvoicing (singleton) holds IBerthLedger (scoped)", fault.Summary);
        Assert.Equal(["CaptiveTests.NightlyInvoicing", "IBerthLedger"], fault.Path.Select(step => step.Name));
        Assert.Equal("FreshScope<IBerthLedger> ledger", fault.Fixes[0].Code);
        Assert.Contains(fault.Fixes, fix => fix.Code == "Scoped.Of<CaptiveTests.NightlyInvoicing>()");
    }

    [Fact]
    public void Through_transients_and_factories_it_is_found_with_every_step()
    {
        Wiring wiring =
        [
            Scoped.Of<IBerthLedger, MemoryLedger>(),
            Transient.Of<BerthPlanner>(),
            Transient.From((BerthPlanner planner) => new Middle(planner)),
            Singleton.From((Middle middle) => new Holder(middle)),
        ];

        Fault fault = Assert.Single(wiring.Check().Errors);

        Assert.Equal("JV301", fault.Code);
        Assert.Equal(
            "CaptiveTests.Holder (singleton) holds IBerthLedger (scoped), through CaptiveTests.Middle and BerthPlanner", fault.Summary);
        Assert.Contains(
            "A transient lives as long as its holder: CaptiveTests.Middle and BerthPlanner live as long as CaptiveTests.Holder.",
            fault.Remarks);
        Assert.Equal(["CaptiveTests.Holder", "CaptiveTests.Middle", "BerthPlanner", "IBerthLedger"], fault.Path.Select(step => step.Name));
        Assert.Equal([null, "middle", "planner", "ledger"], fault.Path.Select(step => step.Parameter));
        Assert.All(fault.Path, step => Assert.Equal("CaptiveTests.cs", step.Place.Split(':')[0]));
    }

    [Fact]
    public void A_function_or_a_lazy_value_is_held_as_well()
    {
        Wiring wiring = [Scoped.Of<IBerthLedger, MemoryLedger>(), Singleton.Of<Postponing>()];

        Assert.Equal("JV301", Assert.Single(wiring.Check().Errors).Code);
    }

    [Fact]
    public void A_fresh_scope_is_the_fix()
    {
        Wiring wiring = [Scoped.Of<IBerthLedger, MemoryLedger>(), Singleton.Of<Curing>()];
        using Container container = wiring.Build();
        Curing curing = container.Resolve<Curing>();

        IBerthLedger first = curing.Ledger.Run(ledger => ledger);
        IBerthLedger second = curing.Ledger.Run(ledger => ledger);

        Assert.NotSame(first, second);
    }

    [Theory]
    [InlineData("fresh.Run(async text => await Task.Delay(text.Length));", "Await RunAsync instead")]
    [InlineData("fresh.Run(text => Task.Delay(text.Length));", "Await RunAsync instead")]
    [InlineData("fresh.Run(text => Console.WriteLine(text));", null)]
    [InlineData("int length = fresh.Run(text => text.Length);", null)]
    public void Work_that_is_awaited_does_not_compile_in_a_scope_that_does_not_wait(string call, string? error)
    {
        IReadOnlyList<string> errors = CompiledSource.ErrorsOfProgram($"FreshScope<string> fresh = new(() => \"a\"); {call}");

        Assert.Equal(error is not null, errors.Any(each => each.Contains(error ?? "", StringComparison.Ordinal)));
    }

    [Fact]
    public void A_scoped_service_may_hold_singletons_and_transients()
    {
        Wiring wiring = [Singleton.Of<IBerthLedger, MemoryLedger>(), Transient.Of<BerthPlanner>(), Scoped.Of<BookingDesk>()];

        Assert.True(wiring.Check().IsSound);
    }

    [Fact]
    public void Holding_the_caller_of_a_request_is_captive_too()
    {
        Wiring wiring = [Scoped.Incoming<Caller>(), Singleton.From((Caller caller) => new Holder(caller))];

        Assert.Equal("JV301", Assert.Single(wiring.Check().Errors).Code);
    }

    public sealed class NightlyInvoicing(IBerthLedger ledger)
    {
        public IBerthLedger Ledger { get; } = ledger;
    }

    public sealed class Postponing(Lazy<IBerthLedger> ledger, Func<IBerthLedger> again)
    {
        public object Ledger { get; } = (ledger, again);
    }

    public sealed class Curing(FreshScope<IBerthLedger> ledger)
    {
        public FreshScope<IBerthLedger> Ledger { get; } = ledger;
    }

    public sealed class Middle(BerthPlanner planner)
    {
        public BerthPlanner Planner { get; } = planner;
    }

    public sealed class Holder(object held)
    {
        public object Held { get; } = held;
    }
}
