using Junctivor;

namespace Mistakes.Programs;

/// <summary>A fairground: a function and a fresh scope of what there is only one of.</summary>
public static class Fairground
{
    /// <summary>What the sound program prints.</summary>
    public const string Prints = """
        round 1, round 2, round 3
        3 rounds to the organ

        """;

    [CheckedWiring("fairground")]
    public static Wiring Wiring =>
    [
        Singleton.Of<Carousel>(),
        Singleton.Of<TicketBooth>(),
        Singleton.Of<Organ>(),
        Scoped.Of<Guest>(),
    ];

    public static void Run(TextWriter output)
    {
        using Container container = Wiring.Build();
        TicketBooth booth = container.Resolve<TicketBooth>();
        using Scope scope = container.StartScope();
        output.WriteLine($"{booth.Turn()}, {booth.Turn()}, {scope.Resolve<Guest>().Ride()}");
        output.WriteLine(container.Resolve<Organ>().Play());
    }

    private sealed class Carousel
    {
        public int Rounds { get; private set; }

        public string Turn() => $"round {++Rounds}";
    }

    private sealed class TicketBooth(Func<Carousel> carousel)
    {
        public string Turn() => carousel().Turn();
    }

    private sealed class Guest(Carousel carousel)
    {
        public string Ride() => carousel.Turn();
    }

    private sealed class Organ(FreshScope<Carousel> carousel)
    {
        public string Play() => $"{carousel.Run(fresh => fresh.Rounds)} rounds to the organ";
    }
}
