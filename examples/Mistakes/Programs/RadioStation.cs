using Junctivor;

namespace Mistakes.Programs;

/// <summary>A radio station: the jingle lacks its mark, and the night programme is registered under the mark of the morning.</summary>
public static class RadioStation
{
    /// <summary>What the sound program prints.</summary>
    public const string Prints = """
        ta-da, and now the night

        """;

    [CheckedWiring("radio station")]
    public static Wiring Wiring =>
    [
        Singleton.Of<IJingle, Fanfare>(),
        Singleton.Of<IProgramme, Night>().Marked<Night>(),
        Singleton.Of<Studio>(),
    ];

    public static void Run(TextWriter output)
    {
        using Container container = Wiring.Build();
        output.WriteLine(container.Resolve<Studio>().Open());
    }

    private interface IJingle
    {
        string Play();
    }

    private interface IProgramme
    {
        string Name { get; }
    }

    private sealed class Fanfare : IJingle
    {
        public string Play() => "ta-da";
    }

    private sealed class Night : IProgramme
    {
        public string Name => "the night";
    }

    private sealed class Morning;

    private sealed class Studio([Marked("opening")] IJingle jingle, [Marked<Morning>] IProgramme programme)
    {
        public string Open() => $"{jingle.Play()}, and now {programme.Name}";
    }
}
