using Junctivor.Checks;

namespace Junctivor.Tests.Runtime;

public class LifetimeTests
{
    [Fact]
    public void A_singleton_is_the_same_everywhere()
    {
        using Container container = new Wiring { Singleton.Of<IClock, SystemClock>() }.Build();
        using Scope scope = container.StartScope();

        Assert.Same(container.Resolve<IClock>(), scope.Resolve<IClock>());
    }

    [Fact]
    public void A_scoped_service_is_shared_in_its_scope_and_nowhere_else()
    {
        using Container container = Office().Build();
        using Scope one = container.StartScope();
        using Scope other = container.StartScope();

        BookingDesk desk = one.Resolve<BookingDesk>();

        Assert.Same(desk.Ledger, desk.Planner.Ledger);
        Assert.NotSame(desk.Ledger, other.Resolve<BookingDesk>().Ledger);
    }

    [Fact]
    public void A_transient_is_new_each_time()
    {
        using Container container = Office().Build();
        using Scope scope = container.StartScope();

        Assert.NotSame(scope.Resolve<BerthPlanner>(), scope.Resolve<BerthPlanner>());
    }

    [Fact]
    public void A_scope_within_a_scope_has_instances_of_its_own()
    {
        using Container container = Office().Build();
        using Scope outer = container.StartScope();
        using Scope inner = outer.StartScope();

        Assert.NotSame(outer.Resolve<IBerthLedger>(), inner.Resolve<IBerthLedger>());
    }

    [Fact]
    public void One_instance_serves_under_several_services()
    {
        using Container container = new Wiring { Singleton.Of<MemoryLedger>().Also<IBerthLedger>() }.Build();

        Assert.Same(container.Resolve<MemoryLedger>(), container.Resolve<IBerthLedger>());
    }

    [Fact]
    public void Types_known_only_at_run_time_resolve_as_well()
    {
        using Container container = new Wiring { Singleton.Of(typeof(IClock), typeof(SystemClock)) }.Build();

        Assert.IsType<SystemClock>(container.Resolve(typeof(IClock)));
        Assert.True(container.TryResolve(typeof(IClock), out object? found));
        Assert.Same(container.Resolve<IClock>(), found);
        Assert.False(container.TryResolve<IBerthLedger>(out IBerthLedger? none));
        Assert.Null(none);
    }

    [Fact]
    public void Marked_services_of_types_known_only_at_run_time_are_tried_as_well()
    {
        using Container container =
            new Wiring { Singleton.Of<IClock, SystemClock>().Marked("tide"), Singleton.Of<IClock, TideClock>().Marked<Caller>() }.Build();

        Assert.True(container.TryResolve(typeof(IClock), "tide", out object? byText));
        Assert.True(container.TryResolve(typeof(IClock), typeof(Caller), out object? byType));
        Assert.Equal((typeof(SystemClock), typeof(TideClock)), (byText.GetType(), byType.GetType()));
        Assert.False(container.TryResolve(typeof(IClock), "moon", out _));
        Assert.False(container.TryResolve(typeof(IClock), typeof(IClock), out _));
    }

    [Fact]
    public void Requesting_what_is_not_registered_says_what_is_near()
    {
        using Container container = new Wiring { Singleton.Of<MemoryLedger>() }.Build();

        ResolveException thrown = Assert.Throws<ResolveException>(() => container.Resolve<IBerthLedger>());

        Assert.Equal("JV101", Assert.Single(thrown.Report.Errors).Code);
        Assert.Contains(".Also<IBerthLedger>()", thrown.Message, StringComparison.Ordinal);
    }

    [Fact]
    public void Scoped_service_cannot_be_resolved_from_the_container()
    {
        using Container container = Office().Build();

        ResolveException thrown = Assert.Throws<ResolveException>(() => container.Resolve<BerthPlanner>());

        Fault fault = Assert.Single(thrown.Report.Errors);
        Assert.Equal("JV302", fault.Code);
        Assert.Equal([null, "ledger"], fault.Path.Select(step => step.Parameter));
        Assert.Contains("container.StartScope()", Assert.Single(fault.Fixes).ToString(), StringComparison.Ordinal);
    }

    [Fact]
    public void A_factory_takes_up_to_eight_parameters()
    {
        Wiring wiring =
        [
            Singleton.Value((byte)1), Singleton.Value((short)2), Singleton.Value(3), Singleton.Value(4L),
            Singleton.Value((ushort)5), Singleton.Value(6u), Singleton.Value(7ul), Singleton.Value(8.0),
            Singleton.From((byte a, short b, int c, long d, ushort e, uint f, ulong g, double h) => $"{a}{b}{c}{d}{e}{f}{g}{h}"),
        ];
        using Container container = wiring.Build();

        Assert.Equal("12345678", container.Resolve<string>());
    }

    [Fact]
    public void The_base_librarys_interface_gives_null_for_what_is_not_registered()
    {
        using Container container = Office().Build();
        using Scope scope = container.StartScope();
        IServiceProvider provider = scope.AsServiceProvider();

        Assert.Same(scope.Resolve<IBerthLedger>(), provider.GetService(typeof(IBerthLedger)));
        Assert.Null(provider.GetService(typeof(IClock)));
    }

    [Fact]
    public void A_function_resolves_again_and_a_lazy_value_once()
    {
        using Container container = new Wiring
        {
            Transient.Of<SystemClock>(),
            Singleton.From((Func<SystemClock> make, Lazy<SystemClock> lazy) => (make, lazy)),
        }.Build();

        (Func<SystemClock> make, Lazy<SystemClock> lazy) = container.Resolve<(Func<SystemClock>, Lazy<SystemClock>)>();

        Assert.NotSame(make(), make());
        Assert.Same(lazy.Value, lazy.Value);
    }

    [Fact]
    public void A_function_of_a_disposed_scope_throws()
    {
        using Container container = new Wiring { Transient.Of<SystemClock>() }.Build();
        Scope scope = container.StartScope();
        Func<SystemClock> make = scope.Resolve<Func<SystemClock>>();

        scope.Dispose();

        Assert.Throws<ObjectDisposedException>(() => make());
    }

    [Fact]
    public void A_chain_of_ten_thousand_checks_and_resolves()
    {
        IReadOnlyList<Type> chain = EmittedClasses.Chain(10_000);
        Wiring wiring = [.. chain.Select(type => Singleton.Of(type))];
        using Container container = wiring.Build();

        object first = container.Resolve(chain[0]);

        int length = 1;
        for (object? link = first; Next(link) is { } next; link = next)
        {
            length++;
        }

        Assert.Equal(10_000, length);

        static object? Next(object link) => link.GetType().GetField("Next")?.GetValue(link);
    }

    [Fact]
    public void A_chain_of_ten_thousand_transients_checks_and_resolves()
    {
        IReadOnlyList<Type> chain = EmittedClasses.Chain(10_000);
        Wiring wiring = [.. chain.Skip(1).Select(type => Transient.Of(type)), Singleton.Of(chain[0])];
        using Container container = wiring.Build();

        Assert.Equal("Link0", container.Resolve(chain[0]).GetType().Name);
    }

    private static Wiring Office() =>
    [
        Scoped.Of<IBerthLedger, MemoryLedger>(),
        Transient.Of<BerthPlanner>(),
        Scoped.Of<BookingDesk>(),
    ];
}
