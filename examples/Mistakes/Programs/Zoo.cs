using Junctivor;

namespace Mistakes.Programs;

/// <summary>A zoo with a module for the winter: it stands before what it replaces, and both keepers want one feeding plan.</summary>
public static class Zoo
{
    /// <summary>What the sound program prints.</summary>
    public const string Prints = """
        hay from the loft, twice
        the warm stall

        """;

    [CheckedWiring("zoo")]
    public static Wiring Wiring => [.. Winter, .. AllYear];

    private static Wiring AllYear =>
    [
        Singleton.Of<IFeedingPlan, SummerPlan>(),
        Singleton.Of<Keeper>(),
    ];

    private static Wiring Winter =>
    [
        Singleton.Of<IFeedingPlan, WinterPlan>().Replacing(),
        Singleton.Of<IStall, WarmStall>(),
        Singleton.Of<Elephant>(),
    ];

    public static void Run(TextWriter output)
    {
        using Container container = Wiring.Build();
        output.WriteLine(container.Resolve<Keeper>().Feed());
        output.WriteLine(container.Resolve<Elephant>().Sleep());
    }

    private interface IFeedingPlan
    {
        string Next { get; }
    }

    private interface IStall
    {
        string Name { get; }
    }

    private sealed class SummerPlan : IFeedingPlan
    {
        public string Next => "grass";
    }

    private sealed class WinterPlan : IFeedingPlan
    {
        public string Next => "hay from the loft";
    }

    private sealed class Keeper(IFeedingPlan plan)
    {
        public string Feed() => $"{plan.Next}, twice";
    }

    private sealed class WarmStall : IStall
    {
        public string Name => "the warm stall";
    }

    private sealed class Elephant(IStall stall)
    {
        public string Sleep() => stall.Name;
    }
}
