namespace Harbour.Arrivals;

/// <summary>A vessel has been seen at the mole: a message for whoever receives it.</summary>
public sealed record Arrived(string Vessel, DateTimeOffset At);
