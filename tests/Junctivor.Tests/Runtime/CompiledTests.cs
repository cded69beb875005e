using System.Reflection;
using System.Runtime.CompilerServices;

namespace Junctivor.Tests.Runtime;

/// <summary>What is created in one go once it has been requested again, and what is not.</summary>
public class CompiledTests
{
    private static readonly BuildOptions AtOnce = new() { Compilation = PlanCompilation.Immediate };

    [Fact]
    public void More_scoped_services_than_fit_into_a_scope_are_shared_and_disposed_in_order()
    {
        IReadOnlyList<Type> classes = EmittedClasses.Chain(45);
        Wiring wiring = [.. classes.Select(type => Scoped.Of(type))];
        using Container container = wiring.Build(AtOnce);
        for (int time = 0; time < 4; time++)
        {
            using Scope scope = container.StartScope();

            object first = scope.Resolve(classes[0]);

            Assert.Same(first, scope.Resolve(classes[0]));
            Assert.Same(classes[44], scope.Resolve(classes[44]).GetType());
        }
    }

    [Fact]
    public void More_disposables_than_fit_into_the_word_of_a_scope_end_in_reverse_order()
    {
        List<string> ended = [];
        using Container container = new Wiring
        {
            Singleton.Value(ended),
            Scoped.Of<Part<int>>(),
            Scoped.Of<Part<long>>(),
            Scoped.Of<Part<byte>>(),
            Scoped.Of<Part<char>>(),
            Scoped.Of<Part<bool>>(),
            Scoped.Of<Part<short>>(),
            Scoped.Of<Part<float>>(),
            Scoped.Of<Part<double>>(),
        }.Build(AtOnce);
        Func<Scope, object>[] asking =
        [
            scope => scope.Resolve<Part<int>>(), scope => scope.Resolve<Part<long>>(), scope => scope.Resolve<Part<byte>>(),
            scope => scope.Resolve<Part<char>>(),
            scope => scope.Resolve<Part<bool>>(), scope => scope.Resolve<Part<short>>(), scope => scope.Resolve<Part<float>>(),
            scope => scope.Resolve<Part<double>>(),
        ];
        for (int time = 0; time < 4; time++)
        {
            ended.Clear();
            using (Scope scope = container.StartScope())
            {
                Array.ForEach(asking, ask => ask(scope));
            }

            Assert.Equal(["Double", "Single", "Int16", "Boolean", "Char", "Byte", "Int64", "Int32"], ended);
        }
    }

    [Fact]
    public void A_listener_that_comes_late_sees_what_is_created_from_then_on()
    {
        using Container container = new Wiring { Transient.Of<SystemClock>() }.Build(AtOnce);
        container.Resolve<SystemClock>();
        container.Resolve<SystemClock>();
        List<string> seen = [];
        using (container.Observe(happened => seen.Add(happened.ToString())))
        {
            container.Resolve<SystemClock>();
        }

        container.Resolve<SystemClock>();

        Assert.Equal(["constructed SystemClock"], seen);
    }

    [Fact]
    public void What_throws_in_its_constructor_throws_each_time_with_its_path()
    {
        using Container container = new Wiring { Transient.Of<Leaking>(), Transient.Of<Wharf>() }.Build(AtOnce);
        for (int time = 0; time < 4; time++)
        {
            ConstructionException failure = Assert.Throws<ConstructionException>(container.Resolve<Wharf>);

            Assert.Equal(["CompiledTests.Wharf", "CompiledTests.Leaking"], failure.Path.Select(step => step.Name));
            Assert.Equal("a plank is missing", failure.InnerException?.Message);
        }
    }

    [Fact]
    public async Task Scopes_shared_by_threads_create_each_service_once_and_end_it_once()
    {
        const int Threads = 4;
        using Container container =
            new Wiring { Scoped.Of<Counted>(), Scoped.Of<Berth>(), Scoped.Of<Quay>(), Transient.Of<Visit>() }.Build(AtOnce);
        for (int round = 0; round < 300; round++)
        {
            using Barrier start = new(Threads);
            Scope scope = container.StartScope();
            Visit[] visits = await Task.WhenAll(Enumerable.Range(0, Threads).Select(thread => Task.Factory.StartNew(
                () =>
                {
                    start.SignalAndWait(TestContext.Current.CancellationToken);
                    object first = thread % 2 == 0 ? scope.Resolve<Quay>() : scope.Resolve<Berth>();
                    Visit visit = scope.Resolve<Visit>();
                    Assert.True(ReferenceEquals(first, visit.Quay) || ReferenceEquals(first, visit.Berth));
                    return visit;
                },
                TestContext.Current.CancellationToken,
                TaskCreationOptions.LongRunning,
                TaskScheduler.Default)));
            await scope.DisposeAsync();

            Assert.Single(visits.Select(visit => (visit.Berth, visit.Quay)).Distinct());
            Assert.Equal(1, visits[0].Berth.Counted.Ends);
        }
    }

    [Fact]
    public async Task A_scope_that_ends_while_others_resolve_ends_what_they_created_or_reports_them()
    {
        using Container container = new Wiring { Scoped.Of<Counted>(), Scoped.Of<Berth>() }.Build(AtOnce);
        container.StartScope().Resolve<Berth>();
        for (int round = 0; round < 1000; round++)
        {
            using Barrier start = new(2);
            Scope scope = container.StartScope();
            Task<Berth?> resolving = Task.Run(() =>
            {
                start.SignalAndWait(TestContext.Current.CancellationToken);
                try
                {
                    return scope.Resolve<Berth>();
                }
                catch (ObjectDisposedException)
                {
                    return null;
                }
            });
            start.SignalAndWait(TestContext.Current.CancellationToken);
            scope.Dispose();

            Berth? made = await resolving;

            Assert.True(made is null || made.Counted.Ends == 1);
        }
    }

    [Fact]
    public void Compiled_code_allocates_what_code_by_hand_does_whatever_a_service_needs()
    {
        ScopeLevel shift = new("shift");
        using Container container = new Wiring
        {
            Singleton.Of<SystemClock>(),
            shift.Of<MemoryLedger>(),
            Scoped.Incoming<Caller>(),
            Scoped.Of<AlmanacTideTable>(),
            Transient.Of<Needy>(),
        }.Build(AtOnce);
        using Scope around = container.StartScope(shift);
        using Scope scope = around.StartScope(Incoming.Value(new Caller("Ada")));
        Needy first = scope.Resolve<Needy>();
        scope.Resolve<Needy>();
        long before = GC.GetAllocatedBytesForCurrentThread();
        Needy byHand = new(first.Clock, first.Ledger, first.Caller, first.Tides, new[] { first.Clock });
        long between = GC.GetAllocatedBytesForCurrentThread();
        Needy resolved = scope.Resolve<Needy>();
        long after = GC.GetAllocatedBytesForCurrentThread();

        // Where no code can be created at run time, everything is created step by step.
        Assert.True(after - between == between - before || !RuntimeFeature.IsDynamicCodeSupported);
        Assert.Equal(byHand with { Clocks = resolved.Clocks }, resolved);
        Assert.Equal(byHand.Clocks, resolved.Clocks);
    }

    [Fact]
    public async Task A_constructor_that_is_called_often_gets_code_of_its_own_also_in_a_private_class()
    {
        const int Calls = 16;
        using Container container = new Wiring { Transient.Of<Witness>() }.Build();
        bool IsCalledByItsOwnCode() => !container.Resolve<Witness>().Stack.Contains(nameof(ConstructorInvoker), StringComparison.Ordinal);

        Assert.False(IsCalledByItsOwnCode());
        for (int call = 0; call < Calls; call++)
        {
            container.Resolve<Witness>();
        }

        await container.WaitForCompilationAsync(TestContext.Current.CancellationToken);
        Assert.True(!RuntimeFeature.IsDynamicCodeSupported || IsCalledByItsOwnCode());
    }

    private sealed class Witness
    {
        public string Stack { get; } = Environment.StackTrace;
    }

    public sealed record Needy(
        SystemClock Clock, MemoryLedger Ledger, Caller Caller, AlmanacTideTable Tides, IReadOnlyList<SystemClock> Clocks);

    public sealed class Part<T>(List<string> ended) : IDisposable
    {
        private readonly List<string> _ended = ended;

        public void Dispose() => _ended.Add(typeof(T).Name);
    }

    public sealed class Leaking
    {
        public Leaking() => throw new InvalidOperationException("a plank is missing");
    }

    public sealed record Wharf(Leaking Leaking);

    public sealed class Counted : IDisposable
    {
        private int _ends;

        public int Ends => _ends;

        public void Dispose() => Interlocked.Increment(ref _ends);
    }

    public sealed record Berth(Counted Counted);

    public sealed record Quay(Berth Berth);

    public sealed record Visit(Berth Berth, Quay Quay);
}
