using Junctivor;

namespace Mistakes.Programs;

/// <summary>A repair shop: the desk resolves two services by hand, which no check can see, and an acceptance is left over.</summary>
public static class RepairShop
{
    /// <summary>What the sound program prints.</summary>
    public const string Prints = """
        ticket 12 to the oak bench

        """;

    [CheckedWiring("repair shop")]
    public static Wiring Wiring =>
    [
        Singleton.Of<IBench, OakBench>(),
        Scoped.Of<Ticket>().Accept("JV303", reason: "The number is kept."),
        Scoped.Of<Desk>(),
    ];

    public static void Run(TextWriter output)
    {
        using Container container = Wiring.Build();
        using Scope scope = container.StartScope();
        output.WriteLine(scope.Resolve<Desk>().Accept());
    }

    private interface IBench
    {
        string Name { get; }
    }

    private sealed class OakBench : IBench
    {
        public string Name => "the oak bench";
    }

    private sealed class Ticket
    {
        public int Number => 12;
    }

    private sealed class Desk(Scope scope)
    {
        public string Accept() => $"ticket {scope.Resolve<Ticket>().Number} to {scope.Resolve<IBench>().Name}";
    }
}
