using Junctivor;

namespace Mistakes.Programs;

/// <summary>A recycling yard: the clock and the dice of the platform are taken, and nobody registers them.</summary>
public static class RecyclingYard
{
    /// <summary>What the sound program prints.</summary>
    public const string Prints = """
        open since this century
        checked: True

        """;

    [CheckedWiring("recycling yard")]
    public static Wiring Wiring =>
    [
        Singleton.Of<Gate>(),
        Singleton.Of<SpotCheck>(),
    ];

    public static void Run(TextWriter output)
    {
        using Container container = Wiring.Build();
        output.WriteLine(container.Resolve<Gate>().Describe());
        output.WriteLine($"checked: {container.Resolve<SpotCheck>().IsChecked}");
    }

    private sealed class Gate(TimeProvider clock)
    {
        public string Describe() => clock.GetUtcNow().Year > 2000 ? "open since this century" : "closed";
    }

    private sealed class SpotCheck(Random dice)
    {
        public bool IsChecked => dice.Next(6) < 6;
    }
}
