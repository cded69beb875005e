namespace Junctivor.Benchmarks.Services;

/// <summary>Takes two values of one type, told apart by marks.</summary>
public sealed record Depths([Marked("north")] Buoy North, [Marked("south")] Buoy South);
