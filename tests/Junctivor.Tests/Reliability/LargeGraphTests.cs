using System.Collections;
using System.Runtime.CompilerServices;

namespace Junctivor.Tests.Reliability;

/// <summary>Code is cut into several methods where a graph is large: whatever the cut, what is created is the same.</summary>
public class LargeGraphTests
{
    public static TheoryData<int> Sizes => [.. Enumerable.Range(195, 11), 400, 1000];

    [Theory]
    [MemberData(nameof(Sizes))]
    public void A_random_tree_of_any_size_is_created_whole_again_and_again(int size)
    {
        for (int seed = 0; seed < (size < 300 ? 4 : 2); seed++)
        {
            IReadOnlyList<Type> classes = EmittedClasses.Tree(size, new Random((size * 100) + seed));
            foreach (PlanCompilation compilation in Enum.GetValues<PlanCompilation>())
            {
                using Container container = Transients(classes).Build(new BuildOptions { Compilation = compilation });
                for (int time = 0; time < 5; time++)
                {
                    AssertWhole(container.Resolve(classes[0]), size);
                    AssertWhole(
                        Assert.Single((IEnumerable<object>)container.Resolve(typeof(IReadOnlyList<>).MakeGenericType(classes[0]))), size);
                }
            }
        }
    }

    [Fact]
    public void A_large_graph_is_created_in_one_go_once_it_is_compiled()
    {
        IReadOnlyList<Type> classes = EmittedClasses.Tree(1000, new Random(1));

        long inOneGo = BytesOf(classes, PlanCompilation.Immediate);

        Assert.True(
            inOneGo * 3 < BytesOf(classes, PlanCompilation.Never) * 2 || !RuntimeFeature.IsDynamicCodeSupported,
            "What is made in one go needs no arrays of arguments.");
    }

    [Theory]
    [InlineData(100_000, true)]
    [InlineData(20_000, false)]
    public void A_hundred_thousand_services_in_a_chain_resolve(int length, bool areShared)
    {
        IReadOnlyList<Type> classes = EmittedClasses.Chain(length);
        Wiring wiring = [.. classes.Select(type => areShared ? Scoped.Of(type) : Transient.Of(type))];
        using Container container = wiring.Build();
        for (int time = 0; time < 4; time++)
        {
            using Scope scope = container.StartScope();

            Assert.Same(classes[0], scope.Resolve(classes[0]).GetType());
        }
    }

    [Fact]
    public void A_list_of_many_thousands_resolves_again_and_again()
    {
        const int Length = 20_000;
        Wiring wiring = [.. Enumerable.Range(0, Length)
            .Select(_ => Transient.Of<IClock, SystemClock>().Accept("JV204", "There are many."))];
        using Container container = wiring.Build();
        for (int time = 0; time < 5; time++)
        {
            Assert.Equal(Length, container.Resolve<IReadOnlyList<IClock>>().Distinct().Count());
        }
    }

    private static Wiring Transients(IReadOnlyList<Type> classes) => [.. classes.Select(type => Transient.Of(type))];

    private static long BytesOf(IReadOnlyList<Type> classes, PlanCompilation compilation)
    {
        using Container container = Transients(classes).Build(new BuildOptions { Compilation = compilation });
        container.Resolve(classes[0]);
        container.Resolve(classes[0]);
        long before = GC.GetAllocatedBytesForCurrentThread();
        container.Resolve(classes[0]);
        return GC.GetAllocatedBytesForCurrentThread() - before;
    }

    /// <summary>Each object is what its parameter requested, and all of them are there, each once.</summary>
    private static void AssertWhole(object root, int size)
    {
        HashSet<object> met = new(ReferenceEqualityComparer.Instance);
        Stack<object> open = new([root]);
        while (open.TryPop(out object? part))
        {
            Assert.True(met.Add(part));
            foreach ((object? taken, Type wanted) in part.GetType()
                .GetFields()
                .Select(field => field.GetValue(part))
                .Zip(part.GetType().GetConstructors()[0].GetParameters(), (taken, parameter) => (taken, parameter.ParameterType)))
            {
                Assert.IsAssignableFrom(wanted, taken);
                foreach (object one in taken is IEnumerable several ? several.Cast<object>() : [taken!])
                {
                    open.Push(one);
                }
            }
        }

        Assert.Equal(size, met.Count);
    }
}
