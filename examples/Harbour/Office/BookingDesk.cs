using Harbour.Ledger;
using Harbour.Shifts;
using Serilog;

namespace Harbour.Office;

/// <summary>Returns a vessel a berth, and enters it in the ledger.</summary>
public sealed class BookingDesk : IDisposable
{
    private readonly FeeCalculator _fees;
    private readonly DutyRoster _roster;
    private readonly ILogger _log;

    public BookingDesk(Visit visit, IBerthLedger ledger, BerthPlanner planner, FeeCalculator fees, DutyRoster roster, ILogger log)
    {
        Visit = visit;
        Ledger = ledger;
        Planner = planner;
        _fees = fees;
        _roster = roster;
        _log = log;
        Badge = visit.Enter(this);
    }

    public string Badge { get; }

    public Visit Visit { get; }

    public IBerthLedger Ledger { get; }

    public BerthPlanner Planner { get; }

    /// <summary>The entry in the ledger; null if no berth is free and deep enough.</summary>
    public async Task<Booking?> BookAsync(BerthRequest request)
    {
        if (await Planner.PlanAsync(request) is not { } berth)
        {
            _log.Warning("No berth for {Vessel}", request.Vessel);
            return null;
        }

        Booking booking = await Ledger.EnterAsync(request, berth, _fees.FeeFor(request), Visit.Caller);
        _roster.NoteBooking();
        _log.Information("{Caller} booked {Berth} for {Vessel}", Visit.Caller.Name, berth.Name, request.Vessel);
        return booking;
    }

    public void Dispose() => Visit.Leave(this);
}
