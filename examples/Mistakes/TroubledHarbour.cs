using Junctivor;

namespace Mistakes;

/// <summary>Several mistakes in one wiring, which are all said at once.</summary>
public static class TroubledHarbour
{
    /// <summary>A harbour office in which four things are wrong, or nearly.</summary>
    [CheckedWiring("troubled harbour")]
    public static Wiring Wiring =>
    [
        Scoped.Incoming<Caller>(),
        Singleton.Of<AlmanacTideTable>(),           // knows the tides, and nobody can ask for ITideTable
        Scoped.Of<PaperLedger>().Also<IBerthLedger>(),
        Transient.Of<BerthPlanner>(),
        Scoped.Of<BookingDesk>(),
        Singleton.Of<NightlyInvoicing>(),           // keeps the ledger of the first night, through the planner
        Singleton.Of<Pilot>(),
        Singleton.Of<PilotBoat>(),                  // each wants the other
        Transient.Of<TimeStamp>(),
        Singleton.Of<Till>(),                       // stamps every receipt with the same time
    ];

    private interface ITideTable;

    private interface IBerthLedger;

    private sealed record Caller(string Name);

    private sealed class AlmanacTideTable : ITideTable;

    private sealed class PaperLedger(Caller caller) : IBerthLedger
    {
        public string LastEntry { get; set; } = caller.Name;
    }

    private sealed class BerthPlanner(IBerthLedger ledger, ITideTable tides);

    private sealed class BookingDesk(BerthPlanner planner, Caller caller);

    private sealed class NightlyInvoicing(BerthPlanner planner);

    private sealed class Pilot(PilotBoat boat);

    private sealed class PilotBoat(Pilot pilot);

    private sealed class TimeStamp
    {
        public DateTimeOffset At { get; } = DateTimeOffset.Now;
    }

    private sealed class Till(TimeStamp stamp);
}
