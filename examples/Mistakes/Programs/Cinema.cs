using Junctivor;

namespace Mistakes.Programs;

/// <summary>A cinema: two screens are registered where the usher wants one, and the decorator finds no ticket office.</summary>
public static class Cinema
{
    /// <summary>What the sound program prints.</summary>
    public const string Prints = """
        To the great hall
        the great hall, the studio
        A TICKET FOR THE GREAT HALL

        """;

    [CheckedWiring("cinema")]
    public static Wiring Wiring =>
    [
        Singleton.Of<IScreen, GreatHall>(),
        Singleton.Of<IScreen, Studio>(),
        Singleton.Of<Usher>(),
        Singleton.Of<Programme>(),
        Singleton.Of<TicketOffice>(),
        Decorator.Of<ITicketOffice, LoudTicketOffice>(),
        Transient.Of<Visitor>(),
    ];

    public static void Run(TextWriter output)
    {
        using Container container = Wiring.Build();
        output.WriteLine(container.Resolve<Usher>().Point());
        output.WriteLine(container.Resolve<Programme>().Print());
        output.WriteLine(container.Resolve<Visitor>().Buy());
    }

    private interface IScreen
    {
        string Name { get; }
    }

    private interface ITicketOffice
    {
        string Sell();
    }

    private sealed class GreatHall : IScreen
    {
        public string Name => "the great hall";
    }

    private sealed class Studio : IScreen
    {
        public string Name => "the studio";
    }

    private sealed class Usher(IScreen screen)
    {
        public string Point() => $"To {screen.Name}";
    }

    private sealed class Programme(IReadOnlyList<IScreen> screens)
    {
        public string Print() => string.Join(", ", screens.Select(screen => screen.Name));
    }

    private sealed class TicketOffice(IScreen screen) : ITicketOffice
    {
        public string Sell() => $"a ticket for {screen.Name}";
    }

    private sealed class LoudTicketOffice(ITicketOffice inner) : ITicketOffice
    {
        public string Sell() => inner.Sell().ToUpperInvariant();
    }

    private sealed class Visitor(ITicketOffice office)
    {
        public string Buy() => office.Sell();
    }
}
