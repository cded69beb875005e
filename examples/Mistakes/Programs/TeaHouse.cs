using Junctivor;

namespace Mistakes.Programs;

/// <summary>A tea house: neither a function nor a Lazy helps the counter to the pot of one guest.</summary>
public static class TeaHouse
{
    /// <summary>What the sound program prints.</summary>
    public const string Prints = """
        cup 1, cup 1
        cup 1, cup 1

        """;

    [CheckedWiring("tea house")]
    public static Wiring Wiring =>
    [
        Scoped.Of<Pot>(),
        Singleton.Of<Counter>(),
        Singleton.Of<Samovar>(),
    ];

    public static void Run(TextWriter output)
    {
        using Container container = Wiring.Build();
        Counter counter = container.Resolve<Counter>();
        output.WriteLine($"{counter.Pour()}, {counter.Pour()}");
        Samovar samovar = container.Resolve<Samovar>();
        output.WriteLine($"{samovar.Pour()}, {samovar.Pour()}");
    }

    private sealed class Pot
    {
        private int _cups;

        public string Pour() => $"cup {++_cups}";
    }

    private sealed class Counter(Func<Pot> pot)
    {
        public string Pour() => pot().Pour();
    }

    private sealed class Samovar(Lazy<Pot> pot)
    {
        public string Pour() => pot.Value.Pour();
    }
}
