namespace Junctivor;

/// <summary>
/// The class that asks, for loggers and the like; taken by a transient, or by the decorator of one. Immutable.
/// </summary>
/// <param name="Type">The class whose parameter is being filled: for a decorated service its decorator; null where the
/// service is asked for from outside.</param>
public sealed record AskingClass(Type? Type);
