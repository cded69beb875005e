using Junctivor.Checks;

namespace Junctivor.Fixing;

/// <summary>A fault, and what became of it.</summary>
/// <param name="Wiring">The name of the wiring.</param>
/// <param name="Fault">The fault, as it was before.</param>
/// <param name="Made">The fix that was made; null if none was.</param>
/// <param name="Obstacle">The reason why it was not fixed, worded to follow "because". Null if it was fixed.</param>
internal sealed record FixOutcome(string Wiring, Fault Fault, Fix? Made, string? Obstacle);
