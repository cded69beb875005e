namespace Junctivor.Cli.Demo;

/// <summary>A small harbour office, as it should be wired, for a rehearsal, and as it should not be.</summary>
internal static class HarbourOffice
{
    public static Wiring Sound =>
    [
        Singleton.Incoming<HarbourSettings>(),
        Scoped.Incoming<Caller>(),
        Singleton.Of<ITideTable, AlmanacTideTable>(),
        Scoped.Of<PaperLedger>().Also<IBerthLedger>(),
        Transient.Of<BerthPlanner>(),
        Scoped.Of<BookingDesk>(),
        Singleton.Of<NightlyInvoicing>(),
    ];

    /// <summary>The same office for a rehearsal: other tides, nothing invoiced, and notices that go nowhere.</summary>
    public static Wiring Rehearsal =>
    [
        Singleton.Incoming<HarbourSettings>(),
        Scoped.Incoming<Caller>(),
        Singleton.Of<ITideTable, FixedTideTable>(),
        Singleton.Of<PaperLedger>().Also<IBerthLedger>(),
        Transient.From((IBerthLedger ledger, ITideTable tides) => new BerthPlanner(ledger, tides)),
        Scoped.Of<BookingDesk>(),
    ];

    public static Wiring WithMistakes =>
    [
        Scoped.Incoming<Caller>(),
        Singleton.Of<AlmanacTideTable>(),                       // nobody serves ITideTable, and nobody promises its settings
        Scoped.Of<IBerthLedger, PaperLedger>(),
        Scoped.Of<IBerthLedger, SlateLedger>(),                 // two ledgers, and one is wanted
        Transient.Of<BerthPlanner>(),
        Scoped.Of<BookingDesk>(),
        Singleton.Of<GateKeeper>(),                             // holds the caller of the first request
        Singleton.Of<Pilot>(), Singleton.Of<PilotBoat>(),       // each needs the other
        Singleton.Of<ITideGauge>(),                             // an interface is no class
    ];

    private interface ITideTable;

    private interface IBerthLedger;

    private interface ITideGauge;

    private sealed record HarbourSettings(string DataFolder);

    private sealed record Caller(string Name);

    private sealed record AlmanacTideTable(HarbourSettings Settings) : ITideTable;

    private sealed record FixedTideTable : ITideTable;

    private sealed record PaperLedger : IBerthLedger;

    private sealed record SlateLedger : IBerthLedger;

    private sealed record BerthPlanner(IBerthLedger Ledger, ITideTable Tides);

    private sealed record BookingDesk(Caller Caller, BerthPlanner Planner);

    private sealed record NightlyInvoicing(FreshScope<IBerthLedger> Ledger);

    private sealed record GateKeeper(Caller Caller);

    private sealed record Pilot(PilotBoat Boat);

    private sealed record PilotBoat(Pilot Pilot);
}
