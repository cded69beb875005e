using Junctivor;

namespace Mistakes.Programs;

/// <summary>A radio station: the jingle lacks its mark, and that of the night programme is mistyped.</summary>
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
        Singleton.Of<IProgramme, Night>().Marked("after midnigth"),
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

    private sealed class Studio([Marked("opening")] IJingle jingle, [Marked("after midnight")] IProgramme programme)
    {
        public string Open() => $"{jingle.Play()}, and now {programme.Name}";
    }
}
