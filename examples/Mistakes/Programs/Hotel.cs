using Junctivor;

namespace Mistakes.Programs;

/// <summary>A hotel: a constant is passed to a factory, an acceptance is left over, and nobody registers the newspapers.</summary>
public static class Hotel
{
    /// <summary>What the sound program prints.</summary>
    public const string Prints = """
        Lift to floor 4
        The morning news

        """;

    [CheckedWiring("hotel")]
    public static Wiring Wiring =>
    [
        Singleton.From(() => new Lift(4)).Passing("floors", 6),
        Singleton.Of<Porter>().Accept("JV303", reason: "The porter's watch is set once a day."),
        Singleton.Of<BreakfastRoom>(),
    ];

    public static void Run(TextWriter output)
    {
        using Container container = Wiring.Build();
        output.WriteLine(container.Resolve<Porter>().Call());
        output.WriteLine(container.Resolve<BreakfastRoom>().Read());
    }

    private interface INewspaper
    {
        string Title { get; }
    }

    private sealed class MorningNews : INewspaper
    {
        public string Title => "The morning news";
    }

    private sealed class Lift(int floors)
    {
        public int Top => floors;
    }

    private sealed class Porter(Lift lift)
    {
        public string Call() => $"Lift to floor {lift.Top}";
    }

    private sealed class BreakfastRoom(IEnumerable<INewspaper> papers)
    {
        public string Read() => string.Join(", ", papers.Select(paper => paper.Title));
    }
}
