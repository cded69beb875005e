using Junctivor;

namespace Mistakes.Programs;

/// <summary>A garden: the open seed store is registered only as itself, and one kind of seed does not say that it is one.</summary>
public static class Garden
{
    /// <summary>What the sound program prints.</summary>
    public const string Prints = """
        Drawer of Bean, packet of Pea

        """;

    [CheckedWiring("garden")]
    public static Wiring Wiring =>
    [
        Singleton.Of(typeof(Drawer<>)),
        Singleton.Of(typeof(IPacket<>), typeof(PaperPacket<>)),
        Singleton.Of<Gardener>(),
    ];

    public static void Run(TextWriter output)
    {
        using Container container = Wiring.Build();
        output.WriteLine(container.Resolve<Gardener>().List());
    }

    private interface ISeed;

    private interface IDrawer<T>
    {
        string Label { get; }
    }

    private interface IPacket<T>
    {
        string Label { get; }
    }

    private sealed class Drawer<T> : IDrawer<T>
    {
        public string Label => $"Drawer of {typeof(T).Name}";
    }

    private sealed class PaperPacket<T> : IPacket<T>
        where T : ISeed
    {
        public string Label => $"packet of {typeof(T).Name}";
    }

    private sealed class Bean : ISeed;

    private sealed class Pea;

    private sealed class Gardener(IDrawer<Bean> beans, IPacket<Pea> peas)
    {
        public string List() => $"{beans.Label}, {peas.Label}";
    }
}
