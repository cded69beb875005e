using Junctivor.Checks;

namespace Junctivor.Reports.Text;

/// <summary>A fault, and what became of it.</summary>
/// <param name="Fault">The fault, as it was before.</param>
/// <param name="Made">The fix that was made; null if none was.</param>
/// <param name="Obstacle">The reason why it was not fixed, worded to follow "because". Null if it was fixed.</param>
internal sealed record ReportedFix(Fault Fault, Fix? Made, string? Obstacle);
