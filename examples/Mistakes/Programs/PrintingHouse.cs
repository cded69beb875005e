using Junctivor;

namespace Mistakes.Programs;

/// <summary>A printing house: a class registers itself and is not spread, and a decorator takes something else than it decorates.</summary>
public static class PrintingHouse
{
    /// <summary>What the sound program prints.</summary>
    public const string Prints = """
        2 sheets in red ink

        """;

    [CheckedWiring("printing house")]
    public static Wiring Wiring =>
    [
        Singleton.Of<IPress, HandPress>(),
        Decorator.Of<IPress, CountingPress>(),
        Singleton.Of<Printer>(),
    ];

    public static void Run(TextWriter output)
    {
        using Container container = Wiring.Build();
        output.WriteLine(container.Resolve<Printer>().Print());
    }

    private interface IPress
    {
        string Print(int sheets);
    }

    private interface IRoller
    {
        string Print(int sheets);
    }

    private interface IInk
    {
        string Colour { get; }
    }

    private sealed class HandPress(IInk ink) : IPress
    {
        public string Print(int sheets) => $"{sheets} sheets in {ink.Colour} ink";
    }

    private sealed class CountingPress(IRoller inner) : IPress
    {
        private int _sheets;

        public string Print(int sheets)
        {
            _sheets += sheets;
            return inner.Print(_sheets);
        }
    }

    [SelfRegistered<IInk>(Lifetime.Singleton)]
    private sealed class RedInk : IInk
    {
        public string Colour => "red";
    }

    private sealed class Printer(IPress press)
    {
        public string Print() => press.Print(2);
    }
}
