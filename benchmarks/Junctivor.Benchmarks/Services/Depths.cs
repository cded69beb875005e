namespace Junctivor.Benchmarks.Services;

/// <summary>Takes two values of one type, distinguished by marks.</summary>
public sealed record Depths([Marked("north")] Buoy North, [Marked("south")] Buoy South);
