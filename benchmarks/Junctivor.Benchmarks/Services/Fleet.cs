namespace Junctivor.Benchmarks.Services;

/// <summary>Six transients over two singletons: a fleet, two convoys, three tugs.</summary>
public sealed record Fleet(Convoy First, Escort Second);
