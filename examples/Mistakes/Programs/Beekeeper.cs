using Junctivor;

namespace Mistakes.Programs;

/// <summary>A beekeeper, who adds registrations one by one: a missing hive, and a smoker for the wrong mark.</summary>
public static class Beekeeper
{
    /// <summary>What the sound program prints.</summary>
    public const string Prints = """
        smoke at the hive, then honey

        """;

    [CheckedWiring("beekeeper")]
    public static Wiring Wiring
    {
        get
        {
            Wiring wiring = [];
            wiring.Add(Singleton.Of<ITool, Smoker>().Marked("smoker"));
            wiring.Add(Singleton.Of<Honey>());
            wiring.Add(Singleton.Of<Keeper>());
            return wiring;
        }
    }

    public static void Run(TextWriter output)
    {
        using Container container = Wiring.Build();
        output.WriteLine(container.Resolve<Keeper>().Work());
    }

    private interface ITool
    {
        string Use();
    }

    private sealed class Smoker : ITool
    {
        public string Use() => "smoke";
    }

    private sealed class Hive
    {
        public string Name => "the hive";
    }

    private sealed class Honey
    {
        public override string ToString() => "honey";
    }

    private sealed class Keeper([Marked("smokr")] ITool tool, Hive hive, Honey honey)
    {
        public string Work() => $"{tool.Use()} at {hive.Name}, then {honey}";
    }
}
