namespace Harbour.Office;

/// <summary>A berth and who has it next, as the office shows it.</summary>
public sealed record BerthState(
    string Berth, double LengthMetres, double DepthMetres, string? Vessel, DateOnly? From, DateOnly? Until, bool HasArrived);
