using Junctivor;

namespace Mistakes.Programs;

/// <summary>A vineyard: the press house reads the cellar book twice for one answer, and both readings belong together.</summary>
public static class Vineyard
{
    /// <summary>What the sound program prints.</summary>
    public const string Prints = """
        barrel 1 and barrel 2
        barrel 1 and barrel 2
        barrel 1

        """;

    [CheckedWiring("vineyard")]
    public static Wiring Wiring =>
    [
        Scoped.Of<CellarBook>(),
        Singleton.Of<PressHouse>(),
    ];

    public static void Run(TextWriter output)
    {
        using Container container = Wiring.Build();
        PressHouse house = container.Resolve<PressHouse>();
        output.WriteLine(house.Press());
        output.WriteLine(house.Press());
        output.WriteLine(house.Newest);
    }

    private sealed class CellarBook
    {
        private int _last;

        public string Next() => $"barrel {++_last}";
    }

    private sealed class PressHouse(CellarBook book)
    {
        public string Newest
        {
            get { return book.Next(); }
        }

        public string Press()
        {
            string first = book.Next();
            string second = book.Next();
            return $"{first} and {second}";
        }
    }
}
