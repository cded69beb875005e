using Junctivor;

namespace Mistakes.Programs;

/// <summary>A post office: a mark has a slip, another registration lacks its mark, and the test office replaces nothing.</summary>
public static class PostOffice
{
    /// <summary>What the sound program prints.</summary>
    public const string Prints = """
        letters to the left, 100 g
        parcels to the right

        """;

    [CheckedWiring("post office")]
    public static Wiring Wiring =>
    [
        Singleton.Of<ISorter, LetterSorter>().Marked("letters"),
        Singleton.Of<ISorter, ParcelSorter>().Marked("parcels"),
        Singleton.Of<IScale, SpringScale>().Marked("counter"),
        Singleton.Of<IScale, TestScale>().Replacing(),
        Transient.Of<Counter>(),
    ];

    public static void Run(TextWriter output)
    {
        using Container container = Wiring.Build();
        foreach (string line in container.Resolve<Counter>().Serve())
        {
            output.WriteLine(line);
        }
    }

    private interface ISorter
    {
        string Sort();
    }

    private interface IScale
    {
        int Weigh();
    }

    private sealed class LetterSorter : ISorter
    {
        public string Sort() => "letters to the left";
    }

    private sealed class ParcelSorter : ISorter
    {
        public string Sort() => "parcels to the right";
    }

    private sealed class SpringScale : IScale
    {
        public int Weigh() => 97;
    }

    private sealed class TestScale : IScale
    {
        public int Weigh() => 100;
    }

    private sealed class Counter([Marked("leters")] ISorter letters, [Marked("parcels")] ISorter parcels, [Marked("counter")] IScale scale)
    {
        public IEnumerable<string> Serve() => [$"{letters.Sort()}, {scale.Weigh()} g", parcels.Sort()];
    }
}
