using Junctivor;

namespace Mistakes.Programs;

/// <summary>A railway: a carriage is part of a train and of a journey, and neither level is declared within the other.</summary>
public static class Railway
{
    /// <summary>What the sound program prints.</summary>
    public const string Prints = """
        Seat in the train of number 7
        Conductor: tickets, please

        """;

    private static readonly ScopeLevel Journey = new("journey");

    private static readonly ScopeLevel Train = new("train");

    [CheckedWiring("railway")]
    public static Wiring Wiring =>
    [
        Journey.Of<Ticket>(),
        Train.Of<Locomotive>(),
        Transient.Of<Seat>(),
        Singleton.Of<Tannoy>(),
        Journey.Of<Conductor>(),
    ];

    public static void Run(TextWriter output)
    {
        using Container container = Wiring.Build();
        using Scope train = container.StartScope(Train);
        using Scope journey = train.StartScope(Journey);
        output.WriteLine(journey.Resolve<Seat>().Describe());
        output.WriteLine(journey.Resolve<Conductor>().Ask());
    }

    private sealed class Ticket;

    private sealed class Locomotive
    {
        public int Number => 7;
    }

    private sealed class Seat(Ticket ticket, Locomotive locomotive)
    {
        public string Describe() => $"Seat in the train of number {locomotive.Number}";
    }

    private sealed class Tannoy(ConsumingClass speaker)
    {
        public string Say(string text) => $"{speaker.Type?.Name}: {text}";
    }

    private sealed class Conductor(Tannoy tannoy)
    {
        public string Ask() => tannoy.Say("tickets, please");
    }
}
