using Junctivor;

namespace Mistakes.Programs;

/// <summary>A planetarium: moments are kept two steps below, behind a Lazy, and where a factory makes them.</summary>
public static class Planetarium
{
    /// <summary>What the sound program prints.</summary>
    public const string Prints = """
        slide 1, slide 2
        slide 3, slide 4
        day 1, day 2

        """;

    [CheckedWiring("planetarium")]
    public static Wiring Wiring =>
    [
        Transient.Of<Slide>(),
        Transient.Of<Projector>(),
        Singleton.Of<Show>(),
        Singleton.Of<Poster>(),
        Transient.From(() => new Stamp(DateTimeOffset.UnixEpoch.AddDays(Stamp.Next()))),
        Singleton.Of<Entrance>(),
    ];

    public static void Run(TextWriter output)
    {
        using Container container = Wiring.Build();
        Show show = container.Resolve<Show>();
        output.WriteLine($"{show.Next()}, {show.Next()}");
        Poster poster = container.Resolve<Poster>();
        output.WriteLine($"{poster.Print()}, {poster.Print()}");
        Entrance entrance = container.Resolve<Entrance>();
        output.WriteLine($"{entrance.Punch()}, {entrance.Punch()}");
    }

    private sealed class Slide
    {
        private static int Last;

        public int Number { get; } = ++Last;
    }

    private sealed class Projector(Slide slide)
    {
        public string Project() => $"slide {slide.Number}";
    }

    private sealed class Show(Projector projector)
    {
        public string Next() => projector.Project();
    }

    private sealed class Poster(Lazy<Slide> slide)
    {
        public string Print() => $"slide {slide.Value.Number}";
    }

    private sealed class Stamp(DateTimeOffset at)
    {
        private static int Days;

        public int Day => (at - DateTimeOffset.UnixEpoch).Days;

        public static int Next() => ++Days;
    }

    private sealed class Entrance(Stamp stamp)
    {
        public string Punch() => $"day {stamp.Day}";
    }
}
