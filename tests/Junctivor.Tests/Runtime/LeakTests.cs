using System.Runtime.CompilerServices;

namespace Junctivor.Tests.Runtime;

/// <summary>Nothing else allocates meanwhile: the heap is that of the whole process.</summary>
[Collection("alone")]
public class LeakTests
{
    [Fact]
    public void A_million_scopes_leave_the_heap_where_it_was()
    {
        const int Scopes = 1_000_000;
        using Container container = new Wiring { Scoped.Of<Ended>(), Transient.Of<Holder>() }.Build();
        Work(container, Scopes / 100);
        long before = GC.GetTotalMemory(forceFullCollection: true);

        Work(container, Scopes);

        Assert.InRange(GC.GetTotalMemory(forceFullCollection: true) - before, long.MinValue, Scopes / 10);
    }

    [Fact]
    public void A_container_of_a_thousand_services_holds_less_than_a_kilobyte_for_each()
    {
        const int Services = 1_000;
        const int Instance = 24;
        object[] instances = new object[Services];
        Fill(EmittedClasses.Net(Services, needs: 3), instances).Dispose();
        IReadOnlyList<Type> classes = EmittedClasses.Net(Services, needs: 3);
        long before = GC.GetTotalMemory(forceFullCollection: true);

        using Container container = Fill(classes, instances);

        long held = GC.GetTotalMemory(forceFullCollection: true) - before;
        Assert.InRange(held, long.MinValue, Services * (1_024 + Instance));
        Assert.Equal(classes, instances.Select(instance => instance.GetType()));
    }

    [Theory]
    [InlineData(PlanCompilation.Never)]
    [InlineData(PlanCompilation.Immediate)]
    public void A_scope_that_nobody_ends_keeps_neither_itself_nor_what_was_created_in_it(PlanCompilation compilation)
    {
        using Container container =
            new Wiring { Scoped.Of<Ended>(), Transient.Of<Holder>(), Transient.Of<Released>() }.Build(
                new BuildOptions { Compilation = compilation });
        List<WeakReference> left = [];
        for (int time = 0; time < 4; time++)
        {
            Leave(container, left);
        }

        GC.Collect();
        GC.WaitForPendingFinalizers();
        GC.Collect();

        Assert.Equal(12, left.Count);
        Assert.DoesNotContain(left, reference => reference.IsAlive);
    }

    [Fact]
    public void A_scope_has_no_finalizer()
    {
        using Container container = new Wiring { Scoped.Of<Ended>() }.Build();
        using Scope scope = container.StartScope();

        Assert.Equal(
            typeof(object),
            scope.GetType()
                .GetMethod("Finalize", System.Reflection.BindingFlags.NonPublic | System.Reflection.BindingFlags.Instance)!.DeclaringType);
    }

    private static void Work(Container container, int scopes)
    {
        for (int number = 0; number < scopes; number++)
        {
            using Scope scope = container.StartScope();
            scope.Resolve<Holder>();
        }
    }

    [MethodImpl(MethodImplOptions.NoInlining)]
    private static Container Fill(IReadOnlyList<Type> classes, object[] instances)
    {
        Wiring wiring = [.. classes.Select(type => Singleton.Of(type))];
        Container container = wiring.Build();
        for (int number = 0; number < instances.Length; number++)
        {
            instances[number] = container.Resolve(classes[number]);
        }

        return container;
    }

    [MethodImpl(MethodImplOptions.NoInlining)]
    private static void Leave(Container container, List<WeakReference> left)
    {
        Scope scope = container.StartScope();
        left.Add(new WeakReference(scope));
        left.Add(new WeakReference(scope.Resolve<Holder>().Ended));
        left.Add(new WeakReference(scope.Resolve<Released>()));
    }

    public sealed class Ended : IDisposable
    {
        public bool HasEnded { get; private set; }

        public void Dispose() => HasEnded = true;
    }

    public sealed class Released : IDisposable
    {
        public bool HasEnded { get; private set; }

        public void Dispose() => HasEnded = true;
    }

    public sealed record Holder(Ended Ended);
}
