namespace Junctivor.NativeLimits;

internal static class Functions
{
    public static object CreateUnregistered()
    {
        using Container container = new Wiring { Singleton.Value<double>(7.5), Transient.Of<Desk<Ticket>>() }.Build();
        return container.Resolve<Desk<Ticket>>().Print("Heron", 3).Text;
    }

    public static object CreateRegistered()
    {
        using Container container =
            new Wiring { Singleton.Value<double>(7.5), Transient.Of<Desk<KnownTicket>>(), Transient.Of<KnownTicket>() }.Build();
        return container.Resolve<Desk<KnownTicket>>().Print("Heron", 3).Text;
    }

    public static object CreateOfFour()
    {
        using Container container = new Wiring { Transient.Of<Form>(), Transient.Of<Office>() }.Build();
        return container.Resolve<Office>().Fill("Heron", 3, true, 2.5m);
    }

    public static object CreateOfPrivateStructure()
    {
        using Container container = new Wiring { Transient.Of<Mooring>(), Transient.Of<Pier>() }.Build();
        return container.Resolve<Pier>().Moor(new Spot(4), 2);
    }

    internal sealed record Desk<T>(Func<string, int, T> Print);

    private sealed class Ticket(string vessel, int nights, double price)
    {
        public string Text => FormattableString.Invariant($"{vessel} {nights} at {price}");
    }

    private sealed class KnownTicket(string vessel, int nights, double price)
    {
        public string Text => FormattableString.Invariant($"{vessel} {nights} at {price}");
    }

    private sealed record Office(Func<string, int, bool, decimal, Form> Fill);

    private sealed class Form(string vessel, int nights, bool isPaid, decimal depth)
    {
        public override string ToString() => FormattableString.Invariant($"{vessel} {nights} {isPaid} {depth}");
    }

    private readonly record struct Spot(int Number);

    private sealed record Pier(Func<Spot, int, Mooring> Moor);

    private sealed class Mooring(Spot spot, int lines)
    {
        public override string ToString() => $"spot {spot.Number}, {lines} lines";
    }
}
