namespace Junctivor.Tests.Runtime;

/// <summary>What is created again and again is created by a function that was compiled for it; nobody may see the difference.</summary>
public class CompiledConstructorTests
{
    private const int Times = 6;

    [Fact]
    public void Every_kind_of_parameter_gets_the_same_each_time()
    {
        using Container container = new Wiring
        {
            Singleton.Value(new HarbourSettings("/ledgers")),
            Singleton.Value(new Depth(7)),
            Singleton.Value(12),
            Transient.Of<References>(),
            Transient.Of<Values>(),
            Transient.Of<Defaults>(),
            Transient.Of<Hidden>(),
            Transient.Of(typeof(Boat)),
        }.Build();

        for (int time = 0; time < Times; time++)
        {
            Assert.Equal("/ledgers", container.Resolve<References>().Settings.DataFolder);
            Assert.Equal(new Values(new Depth(7), 12, 12), container.Resolve<Values>());
            Assert.Equal(new Defaults(null, null, Tide.High, 3, default, "fog"), container.Resolve<Defaults>());
            Assert.Equal(7, container.Resolve<Hidden>().Depth.Metres);
            Assert.Equal(new Boat(new Depth(7)), container.Resolve<Boat>());
        }
    }

    [Fact]
    public void What_a_constructor_throws_comes_with_the_path_to_it_each_time()
    {
        using Container container = new Wiring { Transient.Of<Owner>(), Transient.Of<Wreck>() }.Build();

        for (int time = 0; time < Times; time++)
        {
            ConstructionException thrown = Assert.Throws<ConstructionException>(container.Resolve<Owner>);
            Assert.Equal("aground", Assert.IsType<InvalidOperationException>(thrown.InnerException).Message);
            Assert.Equal([null, "wreck"], thrown.Path.Select(step => step.Parameter));
        }
    }

    [Fact]
    public async Task Many_threads_that_create_the_same_for_the_first_times_all_get_it()
    {
        using Container container = new Wiring { Singleton.Value(new HarbourSettings("/ledgers")), Transient.Of<References>() }.Build();
        using Barrier start = new(8);

        References[] made = await Task.WhenAll(Enumerable.Range(0, 8).Select(_ => Task.Factory.StartNew(
            () =>
            {
                start.SignalAndWait(TestContext.Current.CancellationToken);
                return container.Resolve<References>();
            },
            TestContext.Current.CancellationToken,
            TaskCreationOptions.LongRunning,
            TaskScheduler.Default)));

        Assert.Equal(8, made.Distinct(ReferenceEqualityComparer.Instance).Count());
        Assert.All(made, one => Assert.NotNull(one.Settings));
    }

    public enum Tide
    {
        Low,
        High,
    }

    public readonly record struct Depth(int Metres);

    public sealed class References(HarbourSettings settings)
    {
        public HarbourSettings Settings { get; } = settings;
    }

    public sealed record Values(Depth Depth, int Plain, int? Maybe);

    public sealed record Defaults(
        SystemClock? Clock, decimal? Fee, Tide Tide = Tide.High, long Nights = 3, DateTime At = default, string Weather = "fog");

    public readonly record struct Boat(Depth Draught);

    private sealed class Hidden(Depth depth)
    {
        public Depth Depth { get; } = depth;
    }

    private sealed class Owner(Wreck wreck)
    {
        public Wreck Wreck { get; } = wreck;
    }

    private sealed class Wreck
    {
        public Wreck() => throw new InvalidOperationException("aground");
    }
}
