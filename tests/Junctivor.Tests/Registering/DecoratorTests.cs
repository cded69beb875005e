using Junctivor.Checks;

namespace Junctivor.Tests.Registering;

public class DecoratorTests
{
    [Fact]
    public void The_first_written_is_innermost_wherever_it_stands()
    {
        using Container container = new Wiring
        {
            Decorator.Of<IBerthLedger, Audited>(),
            Scoped.Of<MemoryLedger>().Also<IBerthLedger>(),
            Decorator.Of<IBerthLedger, Timed>(),
            Singleton.Of<IClock, SystemClock>(),
        }.Build();
        using Scope scope = container.StartScope();

        Timed outer = Assert.IsType<Timed>(scope.Resolve<IBerthLedger>());
        Audited middle = Assert.IsType<Audited>(outer.Inner);

        Assert.Same(scope.Resolve<MemoryLedger>(), middle.Inner);
        Assert.Same(container.Resolve<IClock>(), outer.Clock);
    }

    [Theory]
    [InlineData(Lifetime.Singleton)]
    [InlineData(Lifetime.Scoped)]
    [InlineData(Lifetime.Transient)]
    public void Decorator_has_the_lifetime_of_the_decorated_service(Lifetime lifetime)
    {
        Wiring wiring =
        [
            lifetime switch
            {
                Lifetime.Singleton => Singleton.Of<IBerthLedger, MemoryLedger>(),
                Lifetime.Scoped => Scoped.Of<IBerthLedger, MemoryLedger>(),
                _ => Transient.Of<IBerthLedger, MemoryLedger>(),
            },
            Decorator.Of<IBerthLedger, Audited>(),
        ];
        using Container container = wiring.Build();
        using Scope one = container.StartScope();
        using Scope other = container.StartScope();

        Assert.Equal(lifetime != Lifetime.Transient, ReferenceEquals(one.Resolve<IBerthLedger>(), one.Resolve<IBerthLedger>()));
        Assert.Equal(lifetime == Lifetime.Singleton, ReferenceEquals(one.Resolve<IBerthLedger>(), other.Resolve<IBerthLedger>()));
    }

    [Fact]
    public void Decorator_applies_to_each_element_of_a_list()
    {
        using Container container = new Wiring
        {
            Singleton.Of<MemoryLedger>().Also<IBerthLedger>().Also<object>(),
            Singleton.Of<IBerthLedger, SelectionTests.PaperLedger>(),
            Decorator.Of<IBerthLedger, Audited>(),
        }.Build();

        Audited[] all = [.. container.Resolve<IReadOnlyList<IBerthLedger>>().Cast<Audited>()];

        Assert.Equal([typeof(MemoryLedger), typeof(SelectionTests.PaperLedger)], all.Select(each => each.Inner.GetType()));
        Assert.Same(container.Resolve<object>(), all[0].Inner);
    }

    [Fact]
    public void Decorator_applies_to_all_marks_or_to_its_own()
    {
        using Container container = new Wiring
        {
            Singleton.Of<IBerthLedger, MemoryLedger>().Marked("north"),
            Singleton.Of<IBerthLedger, MemoryLedger>().Marked("south"),
            Decorator.Of<IBerthLedger, Audited>(),
            Decorator.Of<IBerthLedger, Sealed>().Marked("south"),
        }.Build();

        Assert.IsType<Audited>(container.Resolve<IBerthLedger>("north"));
        Assert.IsType<Audited>(Assert.IsType<Sealed>(container.Resolve<IBerthLedger>("south")).Inner);
    }

    [Fact]
    public void A_factory_decorates_with_further_dependencies_of_its_own()
    {
        using Container container = new Wiring
        {
            Singleton.Of<IBerthLedger, MemoryLedger>(),
            Singleton.Of<IClock, SystemClock>(),
            Decorator.From((IBerthLedger inner, IClock clock) => (IBerthLedger)new Timed(inner, clock)),
        }.Build();

        Assert.IsType<MemoryLedger>(Assert.IsType<Timed>(container.Resolve<IBerthLedger>()).Inner);
    }

    [Fact]
    public void A_factory_decorates_that_takes_nothing_but_what_it_decorates()
    {
        using Container container = new Wiring
        {
            Singleton.Of<IBerthLedger, MemoryLedger>(),
            Decorator.From((IBerthLedger inner) => (IBerthLedger)new Audited(inner)),
        }.Build();

        Assert.IsType<Audited>(container.Resolve<IBerthLedger>());
    }

    [Fact]
    public void Decorator_is_disposed_before_the_decorated_service()
    {
        List<string> ended = [];
        Container container = new Wiring
        {
            Singleton.Value(ended),
            Singleton.Of<IDock, Dock>(),
            Decorator.Of<IDock, Fence>(),
        }.Build();
        container.Resolve<IDock>();

        container.Dispose();

        Assert.Equal(["fence", "dock"], ended);
    }

    [Fact]
    public void Decorating_what_is_not_registered_is_a_fault()
    {
        Wiring wiring = [Decorator.Of<IBerthLedger, Audited>(), Singleton.Of<MemoryLedger>()];

        Fault fault = Assert.Single(wiring.Check().Errors);

        Assert.Equal("JV205", fault.Code);
        Assert.Contains("MemoryLedger implements it", Assert.Single(fault.Remarks), StringComparison.Ordinal);
        Assert.Equal(".Also<IBerthLedger>()", Assert.Single(fault.Fixes).Code);
    }

    [Theory]
    [InlineData(typeof(Blind), "does not take it")]
    [InlineData(typeof(Greedy), "takes 2 of them")]
    public void A_decorator_that_takes_none_or_two_is_a_fault(Type decorator, string why)
    {
        Wiring wiring = [Singleton.Of<IBerthLedger, MemoryLedger>(), Decorator.Of(typeof(IBerthLedger), decorator)];

        Fault fault = Assert.Single(wiring.Check().Errors, fault => fault.Code == "JV205");

        Assert.Contains(why, fault.Summary, StringComparison.Ordinal);
    }

    [Fact]
    public void What_a_decorator_needs_is_checked_with_the_lifetime_of_what_it_decorates()
    {
        Wiring wiring = [Singleton.Of<IBerthLedger, MemoryLedger>(), Scoped.Of<IClock, SystemClock>(), Decorator.Of<IBerthLedger, Timed>()];

        Fault fault = Assert.Single(wiring.Check().Errors);

        Assert.Equal("JV301", fault.Code);
        Assert.Contains("Timed (singleton) holds IClock", fault.Summary, StringComparison.Ordinal);
    }

    [Fact]
    public void An_alias_is_the_very_same_instance_and_a_second_registration_is_another()
    {
        using Container container = new Wiring
        {
            Singleton.Of<IBerthLedger, MemoryLedger>(),
            Alias.Of<object, IBerthLedger>(),
            Singleton.Of<MemoryLedger>(),
        }.Build();

        Assert.Same(container.Resolve<IBerthLedger>(), container.Resolve<object>());
        Assert.NotSame(container.Resolve<IBerthLedger>(), container.Resolve<MemoryLedger>());
    }

    [Fact]
    public void An_alias_gives_what_its_target_gives_decorated_and_its_own_decorators_come_outside()
    {
        using Container container = new Wiring
        {
            Scoped.Of<IDock, PlainDock>(),
            Alias.Of<IBerthLedger, IDock>(),
            Decorator.Of<IDock, Gate>(),
            Decorator.Of<IBerthLedger, Audited>(),
        }.Build();
        using Scope scope = container.StartScope();

        Audited audited = Assert.IsType<Audited>(scope.Resolve<IBerthLedger>());

        Assert.Same(scope.Resolve<IDock>(), audited.Inner);
        Assert.IsType<Gate>(audited.Inner);
        Assert.Same(audited, scope.Resolve<IBerthLedger>());
    }

    [Fact]
    public void An_alias_may_stand_for_a_marked_one_and_is_checked_through()
    {
        using Container container = new Wiring
        {
            Singleton.Of<IClock, SystemClock>(),
            Singleton.Of<IClock, TideClock>().Marked("tide"),
            Alias.Of<object, IClock>().TargetMarked("tide"),
        }.Build();
        using Container byType = new Wiring
        {
            Singleton.Of<IClock, SystemClock>(),
            Singleton.Of<IClock, TideClock>().Marked<Gate>(),
            Alias.Of<object, IClock>().TargetMarked(typeof(Gate)),
        }.Build();
        Wiring captive = [Scoped.Of<IBerthLedger, MemoryLedger>(), Alias.Of<object, IBerthLedger>(),
            Singleton.From((object ledger) => new CaptiveHolder(ledger))];
        Wiring dangling = [Alias.Of<object, IBerthLedger>()];
        Wiring ring = [Alias.Of<IBerthLedger, IDock>(), Alias.Of(typeof(IDock), typeof(IBerthLedger))];

        Assert.IsType<TideClock>(container.Resolve<object>());
        Assert.IsType<TideClock>(byType.Resolve<object>());
        Assert.Equal("JV301", Assert.Single(captive.Check().Errors).Code);
        Assert.Equal("JV101", Assert.Single(dangling.Check().Errors).Code);
        Assert.Contains("JV201", ring.Check().Errors.Select(fault => fault.Code));
    }

    public interface IDock : IBerthLedger;

    public sealed class PlainDock : IDock;

    public sealed class Gate(IDock inner) : IDock
    {
        public IDock Inner { get; } = inner;
    }

    public sealed class Dock(List<string> ended) : IDock, IDisposable
    {
        public void Dispose() => ended.Add("dock");
    }

    public sealed class Fence(IDock inner, List<string> ended) : IDock, IDisposable
    {
        public IDock Inner { get; } = inner;

        public void Dispose() => ended.Add("fence");
    }

    public sealed class Audited(IBerthLedger inner) : IBerthLedger
    {
        public IBerthLedger Inner { get; } = inner;
    }

    public sealed class Sealed(IBerthLedger inner) : IBerthLedger
    {
        public IBerthLedger Inner { get; } = inner;
    }

    public sealed class Timed(IBerthLedger inner, IClock clock) : IBerthLedger
    {
        public IBerthLedger Inner { get; } = inner;

        public IClock Clock { get; } = clock;
    }

    public sealed class Blind : IBerthLedger;

    public sealed class Greedy(IBerthLedger one, IBerthLedger other) : IBerthLedger
    {
        public object Both { get; } = (one, other);
    }

    public sealed record CaptiveHolder(object Held);
}
