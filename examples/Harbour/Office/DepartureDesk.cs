using Harbour.Ledger;
using Harbour.Notices;
using Serilog;

namespace Harbour.Office;

/// <summary>Lets a vessel go, and frees its berth.</summary>
public sealed class DepartureDesk : IDisposable
{
    private readonly IClock _clock;
    private readonly NoticeDesk _notices;
    private readonly ILogger _log;

    public DepartureDesk(Visit visit, IBerthLedger ledger, IClock clock, NoticeDesk notices, ILogger log)
    {
        Visit = visit;
        Ledger = ledger;
        _clock = clock;
        _notices = notices;
        _log = log;
        Badge = visit.Enter(this);
    }

    public string Badge { get; }

    public Visit Visit { get; }

    public IBerthLedger Ledger { get; }

    public async Task<DepartureAnswer> LeaveAsync(long requestId)
    {
        if (await Ledger.FindAsync(requestId) is not { } booking)
        {
            return DepartureAnswer.UnknownRequest;
        }

        if (!await Ledger.DepartAsync(requestId, _clock.Now))
        {
            return DepartureAnswer.AlreadyGone;
        }

        _notices.Tell($"{booking.Vessel} has left {booking.Berth} at {_clock.Now:HH:mm}");
        _log.Information("{Vessel} left {Berth}", booking.Vessel, booking.Berth);
        return DepartureAnswer.Gone;
    }

    public void Dispose() => Visit.Leave(this);
}
