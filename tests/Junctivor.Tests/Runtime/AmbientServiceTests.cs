using System.Diagnostics.CodeAnalysis;

namespace Junctivor.Tests.Runtime;

public class AmbientServiceTests
{
    [Fact]
    public void A_dispatcher_takes_its_scope_and_is_noted()
    {
        Wiring wiring = [Scoped.Of<Dispatcher>(), Scoped.Of<IBerthLedger, MemoryLedger>()];
        using Container container = wiring.Build();
        using Scope scope = container.StartScope();

        Assert.Same(scope, scope.Resolve<Dispatcher>().Scope);
        Assert.Equal("JV502", Assert.Single(wiring.Check().Notes).Code);
    }

    [Fact]
    public void A_singleton_takes_the_container_and_not_a_scope()
    {
        Wiring taking = [Singleton.From((Container container) => new Tuple<Container>(container))];
        Wiring holding = [Singleton.Of<Dispatcher>()];
        using Container container = taking.Build();
        using Scope scope = container.StartScope();

        Assert.Same(container, scope.Resolve<Tuple<Container>>().Item1);
        Assert.Equal("JV301", Assert.Single(holding.Check().Errors).Code);
    }

    [Fact]
    public void A_transient_that_takes_the_scope_needs_one()
    {
        using Container container = new Wiring { Transient.Of<Dispatcher>() }.Build();

        Assert.Equal("JV302", Assert.Throws<ResolveException>(container.Resolve<Dispatcher>).Report.Errors[0].Code);
        Assert.Equal("JV302", Assert.Throws<ResolveException>(container.Resolve<Scope>).Report.Errors[0].Code);
    }

    [Fact]
    public void The_consuming_class_is_the_direct_consumer()
    {
        using Container container = new Wiring
        {
            Transient.Of<Log>(),
            Singleton.Of<Pilot>(),
            Transient.Of<Steward>(),
        }.Build();

        Assert.Equal(typeof(Pilot), container.Resolve<Pilot>().Log.Asking);
        Assert.Equal(typeof(Steward), container.Resolve<Steward>().Log().Asking);
        Assert.Equal(typeof(Steward), Assert.Single(container.Resolve<Steward>().Logs).Asking);
        Assert.Null(container.Resolve<Log>().Asking);
    }

    [Fact]
    public void For_a_decorated_service_it_is_its_decorator()
    {
        using Container container = new Wiring
        {
            Transient.Of<ILog, Log>(),
            Decorator.Of<ILog, LoudLog>(),
            Singleton.From((ILog log) => Tuple.Create(log)),
        }.Build();

        LoudLog log = Assert.IsType<LoudLog>(container.Resolve<Tuple<ILog>>().Item1);

        Assert.Equal(typeof(LoudLog), log.Inner.Asking);
        Assert.Equal(typeof(Tuple<ILog>), log.Asking);
    }

    [Fact]
    public void Something_shared_must_not_take_the_consuming_class()
    {
        Wiring wiring = [Scoped.Of<Log>()];

        Assert.Equal("JV306", Assert.Single(wiring.Check().Errors).Code);
    }

    [Fact]
    public void Required_and_marked_properties_are_filled()
    {
        using Container container = new Wiring { Singleton.Of<IClock, SystemClock>(), Singleton.Value(7), Transient.Of<Form>() }.Build();

        Form form = container.Resolve<Form>();

        Assert.IsType<SystemClock>(form.Clock);
        Assert.Equal(7, form.Number);
        Assert.Null(form.Ledger);
        Assert.Null(form.Untouched);
    }

    [Fact]
    public void An_override_of_a_marked_property_is_filled_and_one_that_hides_it_is_not()
    {
        using Container container = new Wiring { Singleton.Value(7), Transient.Of<Overriding>(), Transient.Of<Hiding>() }.Build();

        Assert.Equal(7, container.Resolve<Overriding>().Number);
        Assert.Equal(0, container.Resolve<Hiding>().Number);
    }

    [Theory]
    [InlineData(PlanCompilation.Never)]
    [InlineData(PlanCompilation.Immediate)]
    public void The_marked_one_of_several_constructors_is_called_again_and_again(PlanCompilation compilation)
    {
        using Container container =
            new Wiring { Singleton.Value(7), Singleton.Value("seven"), Transient.Of<TwoWays>() }.Build(
                new BuildOptions { Compilation = compilation });
        GC.Collect();

        for (int time = 0; time < 4; time++)
        {
            Assert.Equal("seven", container.Resolve<TwoWays>().Text);
        }
    }

    [Fact]
    public void A_property_that_nobody_can_fill_is_a_fault_like_a_parameter()
    {
        Wiring missing = [Transient.Of<Form>(), Singleton.Value(7)];
        Wiring closed = [Singleton.Of<IClock, SystemClock>(), Transient.Of<Shut>()];
        Wiring seenTo = [Transient.Of<SeenTo>()];

        Assert.Equal("Clock", Assert.Single(missing.Check().Errors).Path[1].Parameter);
        Assert.Contains(
            "has no public setter", Assert.Single(closed.Check().Errors, fault => fault.Code == "JV102").Summary, StringComparison.Ordinal);
        Assert.True(seenTo.Check().IsSound);
    }

    [Fact]
    public void An_object_that_exists_gets_its_properties_filled()
    {
        using Container container = new Wiring { Singleton.Of<IClock, SystemClock>(), Singleton.Value(7) }.Build();
        TideClock mine = new();
        Form form = new() { Clock = mine };

        Assert.Same(form, container.FillProperties(form));

        Assert.Same(mine, form.Clock);
        Assert.Equal(7, form.Number);
    }

    [Fact]
    public void Properties_of_the_objects_own_class_are_filled_whatever_it_is_declared_as()
    {
        using Container container = new Wiring { Singleton.Of<IClock, SystemClock>(), Singleton.Value(7) }.Build();
        Form form = new() { Clock = null! };

        container.FillProperties<object>(form);

        Assert.Same(container.Resolve<IClock>(), form.Clock);
        Assert.Equal(7, form.Number);
    }

    [Fact]
    public void A_method_is_called_with_its_parameters_wired()
    {
        using Container container = new Wiring { Singleton.Of<IClock, SystemClock>(), Scoped.Of<IBerthLedger, MemoryLedger>() }.Build();
        using Scope scope = container.StartScope();
        object? seen = null;

        scope.Invoke((IClock clock) => { seen = clock; });
        bool result = scope.Invoke((IClock clock, IBerthLedger ledger) => clock == seen && ledger == scope.Resolve<IBerthLedger>());
        object? untyped = scope.Invoke(Method);

        Assert.True(result);
        Assert.Same(seen, untyped);
        Assert.Throws<NotSupportedException>(() => scope.Invoke(void (IClock clock) => throw new NotSupportedException()));
        Assert.Equal("JV302", Assert.Throws<ResolveException>(() => container.Invoke((IBerthLedger ledger) => { })).Report.Errors[0].Code);
        Assert.Equal("JV101", Assert.Throws<ResolveException>(() => container.Invoke((Caller caller) => { })).Report.Errors[0].Code);

        static IClock Method(IClock clock) => clock;
    }

    [Fact]
    public void An_unregistered_class_is_constructed_with_some_arguments_given()
    {
        using Container container = new Wiring { Singleton.Of<IClock, SystemClock>() }.Build();

        FunctionTests.Ticket ticket = container.Construct<FunctionTests.Ticket>("Heron", 4, 9);
        object untyped = container.Construct(typeof(FunctionTests.Ticket), 1, "Tern", 2);

        Assert.Equal(("Heron", 4, 9), (ticket.Vessel, ticket.Berth, ticket.Nights));
        Assert.Equal("Tern", Assert.IsType<FunctionTests.Ticket>(untyped).Vessel);
        Assert.Same(container.Resolve<IClock>(), ticket.Clock);
        Assert.Equal(
            "JV106",
            Assert.Throws<ResolveException>(() => container.Construct<FunctionTests.Ticket>("Heron", 4, 9, 'x')).Report.Errors[0].Code);
        Assert.Equal(
            "JV101", Assert.Throws<ResolveException>(() => container.Construct<FunctionTests.Ticket>("Heron")).Report.Errors[0].Code);
        Assert.Equal("JV102", Assert.Throws<ResolveException>(() => container.Construct<IClock>()).Report.Errors[0].Code);
    }

    [Fact]
    public void The_caller_owns_what_is_constructed_and_the_scope_what_was_created_for_it()
    {
        List<string> ended = [];
        using Container container = new Wiring { Singleton.Value(ended), Transient.Of<Tool>() }.Build();
        Scope scope = container.StartScope();
        Bench bench = scope.Construct<Bench>();

        scope.Dispose();
        Assert.Equal(["tool"], ended);

        bench.Dispose();
        Assert.Equal(["tool", "bench"], ended);
    }

    public interface ILog
    {
        Type? Asking { get; }
    }

    public sealed class Log(ConsumingClass asking) : ILog
    {
        public Type? Asking { get; } = asking.Type;
    }

    public sealed class LoudLog(ILog inner, ConsumingClass asking) : ILog
    {
        public ILog Inner { get; } = inner;

        public Type? Asking { get; } = asking.Type;
    }

    public sealed class Pilot(Log log)
    {
        public Log Log { get; } = log;
    }

    public sealed class Steward(Func<Log> log, IReadOnlyList<Log> logs)
    {
        public Func<Log> Log { get; } = log;

        public IReadOnlyList<Log> Logs { get; } = logs;
    }

    public sealed class Dispatcher(Scope scope)
    {
        public Scope Scope { get; } = scope;
    }

    public sealed class Form
    {
        public required IClock Clock { get; init; }

        [Inject]
        public int Number { get; set; }

        [Inject]
        public IBerthLedger? Ledger { get; set; }

        public IClock? Untouched { get; set; }
    }

    public class Numbered
    {
        [Inject]
        public virtual int Number { get; set; }
    }

    public sealed class Overriding : Numbered
    {
        public override int Number { get; set; }
    }

    public sealed class Hiding : Numbered
    {
        public new int Number { get; set; }
    }

    public sealed class TwoWays
    {
        public TwoWays(int number) => Text = $"{number}";

        [Inject]
        public TwoWays(string text) => Text = text;

        public string Text { get; }
    }

    public sealed class Shut
    {
        [Inject]
        public IClock? Clock { get; private set; }
    }

    public sealed class SeenTo
    {
        [SetsRequiredMembers]
        public SeenTo() => Clock = new SystemClock();

        public required IClock Clock { get; init; }
    }

    public sealed class Tool(List<string> ended) : IDisposable
    {
        public void Dispose() => ended.Add("tool");
    }

    public sealed class Bench(Tool tool, List<string> ended) : IDisposable
    {
        public Tool Tool { get; } = tool;

        public void Dispose() => ended.Add("bench");
    }
}
