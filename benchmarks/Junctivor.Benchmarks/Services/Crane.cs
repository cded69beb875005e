namespace Junctivor.Benchmarks.Services;

/// <summary>Filled by properties.</summary>
public sealed class Crane
{
    [Inject]
    public required Tides Tides { get; init; }

    [Inject]
    public required Buoy Buoy { get; init; }

    [Inject]
    public required Flag Flag { get; init; }
}
