namespace Junctivor.Tests.Runtime;

/// <summary>Types are looked up in a table that grows as they are requested.</summary>
public class ManyTypesTests
{
    private const int Classes = 600;

    [Fact]
    public async Task Every_type_that_is_requested_is_found_again_by_all_threads()
    {
        IReadOnlyList<Type> classes = EmittedClasses.Chain(Classes);
        Wiring wiring = [];
        foreach (Type type in classes)
        {
            wiring.Add(Singleton.Of(type));
        }

        await using Container container = wiring.Build();
        object[][] seen = await Task.WhenAll(Enumerable.Range(0, 4).Select(thread => Task.Run(
            () => classes.Skip(thread * 150)
                .Concat(classes.Take(thread * 150))
                .Select(container.Resolve)
                .OrderBy(made => made.GetType().Name, StringComparer.Ordinal).ToArray())));

        Assert.All(seen, made => Assert.Equal(seen[0], made));
        Assert.Equal(classes.OrderBy(type => type.Name, StringComparer.Ordinal), seen[0].Select(made => made.GetType()));
        Assert.False(container.TryResolve(typeof(ManyTypesTests), out _));
        Assert.False(container.TryResolve(typeof(ManyTypesTests), out _));
    }

    [Fact]
    public async Task Threads_that_resolve_at_the_same_time_get_their_own_service()
    {
        const int Threads = 4;
        IReadOnlyList<Type> classes = EmittedClasses.Chain(40);
        for (int round = 0; round < 150; round++)
        {
            Wiring wiring = [.. classes.Select(type => Singleton.Of(type))];
            await using Container container = wiring.Build();
            using Barrier start = new(Threads);
            await Task.WhenAll(Enumerable.Range(0, Threads).Select(thread => Task.Factory.StartNew(
                () =>
                {
                    start.SignalAndWait(TestContext.Current.CancellationToken);
                    foreach (Type type in thread % 2 == 0 ? classes : classes.Reverse())
                    {
                        Assert.IsType(type, container.Resolve(type));
                    }
                },
                TestContext.Current.CancellationToken,
                TaskCreationOptions.LongRunning,
                TaskScheduler.Default)));
        }
    }
}
