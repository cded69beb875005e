using Harbour.Office;

namespace Harbour.Ledger;

/// <summary>One line of the berth ledger.</summary>
public sealed record Booking(
    long Id, string Vessel, string Berth, DateOnly Arrival, DateOnly Departure, decimal Fee, string BookedBy, bool HasArrived, bool HasLeft)
{
    public bool Overlaps(BerthRequest request) => Arrival < request.Departure && request.Arrival < Departure;
}
