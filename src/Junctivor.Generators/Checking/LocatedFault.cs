using Junctivor.Checks;
using Microsoft.CodeAnalysis;

namespace Junctivor.Generators.Checking;

/// <summary>A fault, and the registration that it is shown at.</summary>
/// <param name="Fault">The fault.</param>
/// <param name="Location">The words that must change, or the registration; where none has part in it, the wiring.</param>
/// <param name="Other">Another place that it is about; null for none.</param>
internal sealed record LocatedFault(Fault Fault, Location Location, Location? Other = null);
