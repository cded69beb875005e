using Junctivor;

namespace Mistakes.Programs;

/// <summary>An observatory: the dome opens telescopes and closes none; the clock is registered only as itself.</summary>
public static class Observatory
{
    /// <summary>What the sound program prints.</summary>
    public const string Prints = """
        look 1, open: 1
        look 2, open: 1
        open at the end: 0
        it is midnight

        """;

    [CheckedWiring("observatory")]
    public static Wiring Wiring =>
    [
        Transient.Of<Telescope>(),
        Singleton.Of<Dome>(),
        Singleton.Of<BrassClock>(),
        Singleton.Of<Observer>(),
    ];

    public static void Run(TextWriter output)
    {
        using Container container = Wiring.Build();
        Dome dome = container.Resolve<Dome>();
        output.WriteLine(dome.Look());
        output.WriteLine(dome.Look());
        output.WriteLine($"open at the end: {Telescope.Open}");
        output.WriteLine(container.Resolve<Observer>().Tell());
    }

    private interface IClock
    {
        string Hour { get; }
    }

    private sealed class BrassClock : IClock
    {
        public string Hour => "midnight";
    }

    private sealed class Observer(IClock clock)
    {
        public string Tell() => $"it is {clock.Hour}";
    }

    private sealed class Telescope : IDisposable
    {
        private static int Looks;

        public Telescope() => Open++;

        public static int Open { get; private set; }

        public string Look() => $"look {++Looks}, open: {Open}";

        public void Dispose() => Open--;
    }

    private sealed class Dome(Func<Telescope> open)
    {
        public string Look() => open().Look();
    }
}
