using Junctivor.Cli.Demo.Office;

namespace Junctivor.Cli.Demo;

/// <summary>A harbour office that works: what it is made from, for the page that shows it live.</summary>
internal static class LiveOffice
{
    /// <summary>The hours of one crew, around all its requests.</summary>
    public static readonly ScopeLevel Shift = new("duty shift");

    public static Wiring Wiring =>
    [
        Singleton.Incoming<HarbourSettings>(),
        Shift.Incoming<Crew>(),
        Scoped.Incoming<Caller>(),

        .. Tides,
        .. Ledgers,
        .. Notices,

        Shift.Of<DutyRoster>(),
        Transient.Of<BerthPlanner>(),
        Transient.Of<PilotOrder>(),
        Scoped.Of<BookingDesk>(),
        Scoped.Of<DepartureDesk>(),
        Scoped.Of<ArrivalClerk>(),
        Singleton.Of<NightlyInvoicing>(),
    ];

    private static Wiring Tides =>
    [
        Singleton.Of<IClock, HarbourClock>(),
        Singleton.Of<ITideTable, AlmanacTideTable>(),
    ];

    private static Wiring Ledgers =>
    [
        Singleton.Of<TariffBook>(),
        Scoped.Of<IBerthLedger, PaperLedger>(),
        Decorator.Of<IBerthLedger, CountingLedger>(),
        Transient.Of<FeeCalculator>(),
        Scoped.Of<InvoiceRun>(),
    ];

    private static Wiring Notices =>
    [
        Singleton.Of<INoticeChannel, Blackboard>(),
        Singleton.Of<INoticeChannel, HarbourRadio>(),
        Singleton.Of<NoticeDesk>(),
    ];
}
