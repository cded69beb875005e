namespace Harbour.Office;

/// <summary>What a skipper requests.</summary>
public sealed record BerthRequest(string? Vessel, double LengthMetres, double DraughtMetres, DateOnly Arrival, int Nights)
{
    public DateOnly Departure => Arrival.AddDays(Nights);
}
