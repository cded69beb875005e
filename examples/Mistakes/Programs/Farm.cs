using Junctivor;

namespace Mistakes.Programs;

/// <summary>A farm of two modules: an alias to a class that nobody registers, and one silo registered by both.</summary>
public static class Farm
{
    /// <summary>What the sound program prints.</summary>
    public const string Prints = """
        hay for the horses
        2 silos

        """;

    [CheckedWiring("farm")]
    public static Wiring Wiring => [.. Barn, .. Fields];

    private static Wiring Barn =>
    [
        Singleton.Of<ISilo, GrainSilo>(),
        Alias.Of<IFeed, Hay>(),
        Transient.Of<Stable>(),
    ];

    private static Wiring Fields =>
    [
        Singleton.Of<ISilo, GrainSilo>(),
        Transient.Of<Harvest>(),
    ];

    public static void Run(TextWriter output)
    {
        using Container container = Wiring.Build();
        output.WriteLine(container.Resolve<Stable>().Feed());
        output.WriteLine(container.Resolve<Harvest>().Store());
    }

    private interface ISilo;

    private interface IFeed
    {
        string Name { get; }
    }

    private sealed class GrainSilo : ISilo;

    private sealed class Hay : IFeed
    {
        public string Name => "hay";
    }

    private sealed class Stable(IFeed feed)
    {
        public string Feed() => $"{feed.Name} for the horses";
    }

    private sealed class Harvest(IReadOnlyList<ISilo> silos)
    {
        public string Store() => $"{silos.Count} silos";
    }
}
