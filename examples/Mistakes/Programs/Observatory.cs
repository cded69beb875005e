using Junctivor;

namespace Mistakes.Programs;

/// <summary>An observatory: the dome opens a telescope for each look and closes none of them.</summary>
public static class Observatory
{
    /// <summary>What the sound program prints.</summary>
    public const string Prints = """
        look 1, open: 1
        look 2, open: 1
        open at the end: 0

        """;

    [CheckedWiring("observatory")]
    public static Wiring Wiring =>
    [
        Transient.Of<Telescope>(),
        Singleton.Of<Dome>(),
    ];

    public static void Run(TextWriter output)
    {
        using Container container = Wiring.Build();
        Dome dome = container.Resolve<Dome>();
        output.WriteLine(dome.Look());
        output.WriteLine(dome.Look());
        output.WriteLine($"open at the end: {Telescope.Open}");
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
