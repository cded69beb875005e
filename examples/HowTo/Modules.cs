namespace HowTo;

/// <summary>A module is a wiring that another one spreads; a rehearsal replaces what it must not touch.</summary>
internal static class Modules
{
    public static void Run()
    {
        foreach (bool isRehearsal in new[] { false, true })
        {
            using Container container = Office(isRehearsal).Build();
            WriteLine($"{(isRehearsal ? "Rehearsal" : "In earnest")}: {container.Resolve<BookingDesk>().Describe()}");
        }
    }

    private static Wiring Office(bool isRehearsal) =>
    [
        .. Storage,
        .. Clocks,
        Transient.Of<BookingDesk>(),
        .. Wiring.If(isRehearsal, [Singleton.Of<IClock, StoppedClock>().Replacing(), Singleton.Of<ILedger, MemoryLedger>().Replacing()]),
    ];

    private static Wiring Storage => [Singleton.Of<ILedger, SqliteLedger>(), Singleton.Of<ITariff, YearTariff>().IfMissing()];

    private static Wiring Clocks => [Singleton.Of<IClock, SystemClock>()];

    private interface IClock;

    private interface ILedger;

    private interface ITariff;

    private sealed class SystemClock : IClock;

    private sealed class StoppedClock : IClock;

    private sealed class SqliteLedger : ILedger;

    private sealed class MemoryLedger : ILedger;

    private sealed class YearTariff : ITariff;

    private sealed class BookingDesk(IClock clock, ILedger ledger, ITariff tariff)
    {
        public string Describe() => $"{clock.GetType().Name}, {ledger.GetType().Name}, {tariff.GetType().Name}";
    }
}
