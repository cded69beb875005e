using Junctivor;

namespace Mistakes.Programs;

/// <summary>A newspaper: the press is reserved for one class and used by another, and the archive wants another list.</summary>
public static class Newspaper
{
    /// <summary>What the sound program prints.</summary>
    public const string Prints = """
        front page on the rotary press
        crossword on the rotary press
        sports, weather

        """;

    [CheckedWiring("newspaper")]
    public static Wiring Wiring =>
    [
        Singleton.Of<IPress, RotaryPress>().OnlyFor<FrontPage>(),
        Singleton.Of<FrontPage>(),
        Singleton.Of<Crossword>(),
        Singleton.Of<ISection, Sports>(),
        Singleton.Of<ISection, Weather>(),
        Singleton.Of<Archive>(),
    ];

    public static void Run(TextWriter output)
    {
        using Container container = Wiring.Build();
        output.WriteLine(container.Resolve<FrontPage>().Print());
        output.WriteLine(container.Resolve<Crossword>().Print());
        output.WriteLine(container.Resolve<Archive>().List());
    }

    private interface IPress
    {
        string Print(string page);
    }

    private interface ISection
    {
        string Name { get; }
    }

    private sealed class RotaryPress : IPress
    {
        public string Print(string page) => $"{page} on the rotary press";
    }

    private sealed class FrontPage(IPress press)
    {
        public string Print() => press.Print("front page");
    }

    private sealed class Crossword(IPress press)
    {
        public string Print() => press.Print("crossword");
    }

    private sealed class Sports : ISection
    {
        public string Name => "sports";
    }

    private sealed class Weather : ISection
    {
        public string Name => "weather";
    }

    private sealed class Archive(IList<ISection> sections)
    {
        public string List() => string.Join(", ", sections.Select(section => section.Name));
    }
}
