namespace Junctivor.Tests.Resolving;

/// <summary>Types are looked up in a table that grows as they are asked for.</summary>
public class ManyTypesTests
{
    private const int Classes = 600;

    [Fact]
    public async Task Every_type_that_is_asked_for_is_found_again_by_all_threads()
    {
        IReadOnlyList<Type> classes = EmittedClasses.Chain(Classes);
        Wiring wiring = [];
        foreach (Type type in classes)
        {
            wiring.Add(Singleton.Of(type));
        }

        await using Container container = wiring.Build();
        object[][] seen = await Task.WhenAll(Enumerable.Range(0, 4).Select(thread => Task.Run(
            () => classes.Skip(thread * 150).Concat(classes.Take(thread * 150)).Select(container.Resolve).OrderBy(made => made.GetType().Name, StringComparer.Ordinal).ToArray())));

        Assert.All(seen, made => Assert.Equal(seen[0], made));
        Assert.Equal(classes.OrderBy(type => type.Name, StringComparer.Ordinal), seen[0].Select(made => made.GetType()));
        Assert.False(container.TryResolve(typeof(ManyTypesTests), out _));
        Assert.False(container.TryResolve(typeof(ManyTypesTests), out _));
    }
}
