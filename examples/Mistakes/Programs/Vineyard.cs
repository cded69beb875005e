using Junctivor;

namespace Mistakes.Programs;

/// <summary>A vineyard: the press house reads the cellar book twice for one answer, and nobody registers the cup.</summary>
public static class Vineyard
{
    /// <summary>What the sound program prints.</summary>
    public const string Prints = """
        barrel 1 and barrel 2
        barrel 1 and barrel 2
        a taste from the oak cup

        """;

    [CheckedWiring("vineyard")]
    public static Wiring Wiring =>
    [
        Scoped.Of<CellarBook>(),
        Singleton.Of<PressHouse>(),
        Singleton.Of<Taster>(),
    ];

    public static void Run(TextWriter output)
    {
        using Container container = Wiring.Build();
        PressHouse house = container.Resolve<PressHouse>();
        output.WriteLine(house.Press());
        output.WriteLine(house.Press());
        output.WriteLine(container.Resolve<Taster>().Taste());
    }

    private interface ICup
    {
        string Name { get; }
    }

    private sealed class OakCup : ICup
    {
        public string Name => "the oak cup";
    }

    private sealed class Taster(ICup cup)
    {
        public string Taste() => $"a taste from {cup.Name}";
    }

    private sealed class CellarBook
    {
        private int _last;

        public string Next() => $"barrel {++_last}";
    }

    private sealed class PressHouse(CellarBook book)
    {
        public string Press()
        {
            string first = book.Next();
            string second = book.Next();
            return $"{first} and {second}";
        }
    }
}
