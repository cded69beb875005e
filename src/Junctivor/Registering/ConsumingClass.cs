namespace Junctivor;

/// <summary>
/// The consuming class, for loggers and the like; taken by a transient, or by the decorator of one. Immutable.
/// </summary>
/// <param name="Type">The class that takes the service as a parameter; for a decorated service its decorator; null for a
/// direct call.</param>
public sealed record ConsumingClass(Type? Type);
