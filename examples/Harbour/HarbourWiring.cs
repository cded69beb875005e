using Harbour.Arrivals;
using Harbour.Contracts;
using Harbour.Ledger;
using Harbour.Night;
using Harbour.Notices;
using Harbour.Office;
using Harbour.Shifts;
using Harbour.Web;
using Junctivor;
using Serilog;
using Serilog.Events;

namespace Harbour;

/// <summary>The composition root: everything that the office is made from, and how long each part lives.</summary>
public static class HarbourWiring
{
    [CheckedWiring("office")]
    public static Wiring Office =>
    [
        Singleton.Incoming<HarbourSettings>(),
        Scoped.Incoming<Caller>(),

        .. Storage,
        .. ShiftWiring.Wiring,
        .. ArrivalWiring.Wiring,
        .. NightWiring.Wiring,

        Singleton.Of<Muster>(),
        Singleton.Of<IClock, SystemClock>(),
        Singleton.Value(TimeProvider.System),
        Singleton.Of<ITideTable, AlmanacTideTable>(),
        Singleton.From((HarbourSettings settings) => new Quays(DataFile.Read<Berth[]>(settings, "quays.json"))),
        Singleton.From((HarbourSettings settings) => DataFile.Read<TariffBook>(settings, "tariffs.json")),
        Singleton.From(ILogger (HarbourSettings settings) => new LoggerConfiguration()
            .MinimumLevel.Is(settings.IsQuiet ? LogEventLevel.Fatal : LogEventLevel.Information)
            .WriteTo.Console()
            .CreateLogger()),

        Singleton.Of<INoticeChannel, Blackboard>(),
        Singleton.Of<NoticeDesk>(),

        Scoped.Of<Visit>(),
        Scoped.Of<BookingDesk>(),
        Scoped.Of<DepartureDesk>(),

        Transient.Of<BerthPlanner>(),
        Transient.Of<FeeCalculator>(),
        Transient.Of<BerthRequestCheck>(),

        Singleton.Of<IContributesEndpoints, HarbourEndpoints>(),
        Singleton.Of<IContributesEndpoints, BerthPage>(),
    ];

    /// <summary>The office for a rehearsal.</summary>
    [CheckedWiring("rehearsal")]
    public static Wiring Rehearsal => [.. Office, .. Harbour.Rehearsal.Changes];

    /// <summary>The office with what the plug-ins of a folder bring.</summary>
    public static Wiring WithPlugins(string folder = "plugins") => [.. Office, .. Plugins.In(folder)];

    /// <summary>A module is a wiring that another one spreads.</summary>
    private static Wiring Storage =>
    [
        Singleton.From<HarbourSettings, LedgerFile>(LedgerFile.Open),
        Scoped.Of<SqliteBerthLedger>().Also<IBerthLedger>(),
    ];
}
