using Harbour.Ledger;
using Harbour.Notices;
using Junctivor;

namespace Harbour.Arrivals;

/// <summary>Notes an arrival in the ledger, and tells the harbour. It lives for one message, and so has a ledger of its own.</summary>
public sealed class ArrivalClerk(IBerthLedger ledger, NoticeDesk notices) : IMessageHandler<Arrived>
{
    public async Task HandleAsync(Arrived message, CancellationToken cancellationToken)
    {
        Booking? booking = await ledger.ArriveAsync(message.Vessel, message.At);
        notices.Tell(booking is null ? $"{message.Vessel} is here and has no berth" : $"{message.Vessel} lies at {booking.Berth}");
    }
}
