using Harbour.Ledger;

namespace Harbour.Office;

/// <summary>Finds the smallest free berth that a vessel fits into, at low tide too.</summary>
public sealed class BerthPlanner
{
    private const double WaterUnderTheKeel = 0.3;

    private readonly Quays _quays;

    public BerthPlanner(IBerthLedger ledger, Quays quays, ITideTable tides, Muster muster)
    {
        Ledger = ledger;
        Tides = tides;
        _quays = quays;
        Badge = muster.Badge(this);
    }

    public string Badge { get; }

    public IBerthLedger Ledger { get; }

    public ITideTable Tides { get; }

    /// <summary>The berth to take; null if none is free and deep enough.</summary>
    public async Task<Berth?> PlanAsync(BerthRequest request)
    {
        IReadOnlyList<Booking> bookings = await Ledger.CurrentAsync();
        return _quays.Berths
            .Where(berth => berth.LengthMetres >= request.LengthMetres && IsDeepEnough(berth, request))
            .Where(berth => !bookings.Any(booking => booking.Berth == berth.Name && booking.Overlaps(request)))
            .OrderBy(berth => berth.LengthMetres)
            .FirstOrDefault();
    }

    /// <summary>Each berth, with the vessel that has it next.</summary>
    public async Task<IReadOnlyList<BerthState>> OverviewAsync()
    {
        IReadOnlyList<Booking> bookings = await Ledger.CurrentAsync();
        return
        [
            .. _quays.Berths.Select(
                berth => State(berth, bookings.Where(booking => booking.Berth == berth.Name).MinBy(booking => booking.Arrival))),
        ];
    }

    private static BerthState State(Berth berth, Booking? next) => new(
        berth.Name, berth.LengthMetres, berth.DepthMetres, next?.Vessel, next?.Arrival, next?.Departure, next?.HasArrived == true);

    private bool IsDeepEnough(Berth berth, BerthRequest request) => Enumerable
        .Range(0, request.Nights)
        .Select(night => Tides.Of(request.Arrival.AddDays(night))?.LowMetres ?? 0)
        .All(low => berth.DepthMetres + low >= request.DraughtMetres + WaterUnderTheKeel);
}
