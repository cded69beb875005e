using Junctivor;

namespace Mistakes.Programs;

/// <summary>A toy shop: records keep what they are given, a serial number and the till of one customer.</summary>
public static class ToyShop
{
    /// <summary>What the sound program prints.</summary>
    public const string Prints = """
        toy 1, toy 2
        1 coin, 1 coin

        """;

    [CheckedWiring("toy shop")]
    public static Wiring Wiring =>
    [
        Transient.Of<Serial>(),
        Scoped.Of<Till>(),
        Singleton.Of<Label>(),
        Singleton.Of<Shelf>(),
    ];

    public static void Run(TextWriter output)
    {
        using Container container = Wiring.Build();
        Label label = container.Resolve<Label>();
        output.WriteLine($"{label.Next()}, {label.Next()}");
        Shelf shelf = container.Resolve<Shelf>();
        output.WriteLine($"{shelf.Sell()}, {shelf.Sell()}");
    }

    private sealed class Serial
    {
        private static int Last;

        public int Number { get; } = ++Last;
    }

    private sealed class Till
    {
        public int Coins { get; set; }
    }

    private sealed record Label(Serial Serial)
    {
        public string Next() => $"toy {Serial.Number}";
    }

    private sealed record Shelf(Till Till)
    {
        public string Sell() => $"{++Till.Coins} coin";
    }
}
