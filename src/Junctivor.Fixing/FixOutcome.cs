namespace Junctivor.Fixing;

/// <summary>A fault, and what became of it.</summary>
/// <param name="Wiring">The name of the wiring.</param>
/// <param name="Fault">The fault, as it was before.</param>
/// <param name="Made">The fix that was made; null if none was.</param>
/// <param name="Obstacle">Why it was not fixed, as the end of a sentence that starts with "because"; null if it was.</param>
internal sealed record FixOutcome(string Wiring, Fault Fault, Fix? Made, string? Obstacle);
