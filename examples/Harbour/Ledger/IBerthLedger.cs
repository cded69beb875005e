using Harbour.Office;

namespace Harbour.Ledger;

/// <summary>The book of who lies where.</summary>
public interface IBerthLedger
{
    /// <summary>Which instance this is.</summary>
    string Badge { get; }

    /// <summary>The bookings of vessels that have not left.</summary>
    Task<IReadOnlyList<Booking>> CurrentAsync();

    Task<Booking?> FindAsync(long id);

    Task<Booking> EnterAsync(BerthRequest request, Berth berth, decimal fee, Caller caller);

    /// <summary>Notes that a vessel is here; null if it has booked nothing, or is noted already.</summary>
    Task<Booking?> ArriveAsync(string vessel, DateTimeOffset now);

    /// <summary>Frees the berth; false if the vessel had left already.</summary>
    Task<bool> DepartAsync(long id, DateTimeOffset now);

    /// <summary>Writes an invoice for each vessel that has left and has none.</summary>
    Task<IReadOnlyList<Invoice>> InvoiceAsync(DateTimeOffset now);

    Task<IReadOnlyList<Invoice>> InvoicesAsync();
}
