using Junctivor.Generators.Following;
using Microsoft.CodeAnalysis;

namespace Junctivor.Generators.Checking;

/// <summary>A wiring that is complete, as it is built, checked or marked.</summary>
/// <param name="Location">Where that is said.</param>
/// <param name="Faults">What is wrong with it on every path.</param>
/// <param name="Unfollowed">Why it cannot be followed, and where; null if it can.</param>
/// <param name="IsMarked">Whether it has <c>[CheckedWiring]</c>.</param>
internal sealed record CheckedRoot(
    Location Location, IReadOnlyList<LocatedFault> Faults, UnfollowableException? Unfollowed, bool IsMarked)
{
    /// <summary>Whether the code that cannot be followed does not compile, such as a line that is half typed.</summary>
    public bool IsBroken { get; init; }

    /// <summary>A wiring that could be followed if it was written otherwise is off the check without need: that is a warning. What only
    /// the run can know is an information.</summary>
    public DiagnosticSeverity UnfollowedSeverity =>
        Unfollowed?.Obstacle == Obstacle.Writing || (IsMarked && Unfollowed?.Obstacle == Obstacle.Size)
            ? DiagnosticSeverity.Warning
            : DiagnosticSeverity.Info;
}
