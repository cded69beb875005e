using Junctivor;

namespace Mistakes.Programs;

/// <summary>An orchestra: the list of players is empty as all of them are marked, and the conductor was left out.</summary>
public static class Orchestra
{
    /// <summary>What the sound program prints.</summary>
    public const string Prints = """
        strings: viola; all: flute, viola; led with a baton

        """;

    [CheckedWiring("orchestra")]
    public static Wiring Wiring =>
    [
        Singleton.Of<IPlayer, Flute>().Marked("woodwind"),
        Singleton.Of<IPlayer, Viola>().Marked("strings"),
        Singleton.Of<IConductor, Conductor>().Enabled(false),
        Singleton.Of<Concert>(),
    ];

    public static void Run(TextWriter output)
    {
        using Container container = Wiring.Build();
        output.WriteLine(container.Resolve<Concert>().Play());
    }

    private interface IPlayer
    {
        string Name { get; }
    }

    private interface IConductor
    {
        string Lead();
    }

    private sealed class Flute : IPlayer
    {
        public string Name => "flute";
    }

    private sealed class Viola : IPlayer
    {
        public string Name => "viola";
    }

    private sealed class Conductor : IConductor
    {
        public string Lead() => "led with a baton";
    }

    private sealed class Concert(IReadOnlyDictionary<string, IPlayer> bySection, IReadOnlyList<IPlayer> all, IConductor conductor)
    {
        public string Play() =>
            $"strings: {bySection["strings"].Name}; all: {string.Join(", ", all.Select(player => player.Name))}; {conductor.Lead()}";
    }
}
