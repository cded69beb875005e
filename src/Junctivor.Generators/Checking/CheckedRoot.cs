using Junctivor.Generators.Following;
using Microsoft.CodeAnalysis;

namespace Junctivor.Generators.Checking;

/// <summary>A wiring that is complete, as it is built, checked or marked.</summary>
/// <param name="Location">Where that is said.</param>
/// <param name="Faults">What is wrong with it on every path.</param>
/// <param name="Unfollowed">Why it is not known, and where; null where it is.</param>
internal sealed record CheckedRoot(Location Location, IReadOnlyList<LocatedFault> Faults, UnfollowableException? Unfollowed);
