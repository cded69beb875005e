using System.Collections.Concurrent;
using Harbour.Ledger;
using Harbour.Office;
using Harbour.Shifts;
using Serilog;

namespace Junctivor.Load;

/// <summary>The same endpoints with what is created by hand.</summary>
internal static class EndpointsByHand
{
    public static void Map(WebApplication app, HarbourSettings settings)
    {
        TideColumn tides = new();
        app.MapGet("/bare", async () =>
        {
            await using Page page = new();
            return new Writer(page, new Pen(page, tides)).Write();
        });

        Muster muster = new();
        LedgerFile file = LedgerFile.Open(settings);
        Quays quays = new(DataFile.Read<Berth[]>(settings, "quays.json"));
        TariffBook tariffs = DataFile.Read<TariffBook>(settings, "tariffs.json");
        AlmanacTideTable table = new(settings, muster);
        ShiftPlan plan = new(new SystemClock());
        ConcurrentDictionary<string, DutyRoster> rosters = new();
        Serilog.ILogger log = new LoggerConfiguration().CreateLogger();
        app.MapGet("/berths", async () =>
        {
            Shift shift = plan.Now;
            DutyRoster roster = rosters.GetOrAdd(shift.ToString(), _ => new DutyRoster(shift));
            using Visit visit = new(muster, Caller.Unknown);
            await using SqliteBerthLedger ledger = new(file, visit);
            using BookingDesk desk =
                new(visit, ledger, new BerthPlanner(ledger, quays, table, muster), new FeeCalculator(tariffs), roster, log);
            return Results.Ok(await desk.Planner.OverviewAsync());
        });
    }
}
