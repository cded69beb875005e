namespace HowTo;

/// <summary>Where the caller knows some arguments, a function takes them; the rest is wired, and checked at build.</summary>
internal static class WithArguments
{
    public static void Run()
    {
        Wiring wiring = [Singleton.Of<TariffBook>(), Transient.Of<BookingDesk>()];
        using Container container = wiring.Build();

        WriteLine(container.Resolve<BookingDesk>().Book("Heron", 3));

        // The same for a class that only the run knows, with the arguments at hand.
        object ticket = container.Construct(typeof(Ticket), 2, "Tern");
        WriteLine(ticket);

        Wiring wrong = [Singleton.Of<TariffBook>(), Transient.From((Func<DateTime, Ticket> print) => new object())];
        WriteLine();
        WriteLine(wrong.Check().Errors[0]);
    }

    private sealed class BookingDesk(Func<string, int, Ticket> print)
    {
        public string Book(string vessel, int nights) => $"{print(vessel, nights)}";
    }

    private sealed class TariffBook
    {
        public decimal PerNight => 12.50m;
    }

    private sealed class Ticket(TariffBook tariffs, string vessel, int nights)
    {
        public override string ToString() => FormattableString.Invariant($"{vessel}: {nights} nights, {nights * tariffs.PerNight:0.00}");
    }
}
