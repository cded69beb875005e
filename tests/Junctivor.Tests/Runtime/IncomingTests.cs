using Junctivor.Checks;

namespace Junctivor.Tests.Runtime;

public class IncomingTests
{
    [Fact]
    public void A_value_for_the_container_is_supplied_when_it_is_built()
    {
        using Container container = Settings().Build(Incoming.Value(new HarbourSettings("/ledgers")));

        Assert.Equal("/ledgers", container.Resolve<LedgerFile>().Folder);
    }

    [Fact]
    public void A_declared_value_that_is_not_supplied_stops_the_build_beside_everything_else()
    {
        Wiring wiring = [.. Settings(), Transient.Of<BerthPlanner>()];

        WiringException thrown = Assert.Throws<WiringException>(() => wiring.Build());

        Assert.Equal(["JV105", "JV101"], thrown.Report.Errors.Select(fault => fault.Code));
        Assert.Contains("wiring.Build(Incoming.Value<HarbourSettings>(…))", thrown.Message, StringComparison.Ordinal);
        Assert.Equal(["JV101"], wiring.Check().Errors.Select(fault => fault.Code));
    }

    [Fact]
    public void A_value_that_nobody_declared_is_a_fault_with_what_was_meant()
    {
        WiringException thrown =
            Assert.Throws<WiringException>(() => new Wiring { Singleton.Incoming<IClock>() }.Build(Incoming.Value(new SystemClock())));

        Fault fault = Assert.Single(thrown.Report.Errors, fault => fault.Code == "JV107");
        Assert.Contains("Incoming.Value<IClock>(…)", fault.Fixes[0].ToString(), StringComparison.Ordinal);
    }

    [Fact]
    public void A_value_for_a_scope_given_to_the_container_is_sent_to_the_scope()
    {
        WiringException thrown =
            Assert.Throws<WiringException>(() => new Wiring { Scoped.Incoming<Caller>() }.Build(Incoming.Value(new Caller("Mira"))));

        Fault fault = Assert.Single(thrown.Report.Errors);
        Assert.Equal("JV107", fault.Code);
        Assert.Contains("container.StartScope(Incoming.Value<Caller>(…))", Assert.Single(fault.Fixes).ToString(), StringComparison.Ordinal);
    }

    [Fact]
    public void A_value_supplied_twice_in_one_call_is_ambiguous()
    {
        Incoming settings = Incoming.Value(new HarbourSettings("/a"));

        WiringException thrown = Assert.Throws<WiringException>(() => Settings().Build(settings, settings));

        Assert.Equal("JV202", Assert.Single(thrown.Report.Errors).Code);
    }

    [Fact]
    public void Each_scope_has_its_own_value_and_an_inner_one_inherits_it()
    {
        using Container container = new Wiring { Scoped.Incoming<Caller>() }.Build();
        using Scope mira = container.StartScope(Incoming.Value(new Caller("Mira")));
        using Scope within = mira.StartScope();
        using Scope anew = mira.StartScope(Incoming.Value(new Caller("Tove")));

        Assert.Equal("Mira", mira.Resolve<Caller>().Name);
        Assert.Equal("Mira", within.Resolve<Caller>().Name);
        Assert.Equal("Tove", anew.Resolve<Caller>().Name);
    }

    [Fact]
    public void A_scope_without_the_value_is_fine_until_something_needs_it()
    {
        using Container container = new Wiring { Scoped.Incoming<Caller>(), Transient.Of<Greeting>(), Scoped.Of<MemoryLedger>() }.Build();
        using Scope scope = container.StartScope();

        Assert.NotNull(scope.Resolve<MemoryLedger>());
        ResolveException thrown = Assert.Throws<ResolveException>(scope.Resolve<Greeting>);

        Fault fault = Assert.Single(thrown.Report.Errors);
        Assert.Equal("JV105", fault.Code);
        Assert.Equal([null, "caller"], fault.Path.Select(step => step.Parameter));
    }

    [Fact]
    public void Starting_a_scope_with_a_value_that_nobody_declared_is_a_fault()
    {
        using Container container = new Wiring().Build();

        ResolveException thrown = Assert.Throws<ResolveException>(() => container.StartScope(Incoming.Value(new Caller("Mira"))));

        Assert.Contains("Scoped.Incoming<Caller>()", thrown.Message, StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_fresh_scope_passes_values_on()
    {
        using Container container = new Wiring { Scoped.Incoming<Caller>(), Scoped.Of<Greeting>() }.Build();
        FreshScope<Greeting> greetings = container.Resolve<FreshScope<Greeting>>();

        string name = await greetings.RunAsync(
            greeting => Task.FromResult(greeting.Name), [Incoming.Value(new Caller("Mira"))], TestContext.Current.CancellationToken);

        Assert.Equal("Mira", name);
    }

    [Fact]
    public void A_value_of_the_wrong_type_is_refused_at_once()
    {
        ArgumentException thrown = Assert.Throws<ArgumentException>(() => Incoming.ValueAs(typeof(IClock), new Caller("Mira")));

        Assert.Contains("IClock", thrown.Message, StringComparison.Ordinal);
    }

    private static Wiring Settings() =>
    [
        Singleton.Incoming<HarbourSettings>(),
        Singleton.From((HarbourSettings settings) => new LedgerFile(settings.DataFolder)),
    ];

    public sealed class Greeting(Caller caller)
    {
        public string Name { get; } = caller.Name;
    }
}
