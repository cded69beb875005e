using Microsoft.CodeAnalysis;

namespace Junctivor.Generators.Following;

/// <summary>A wiring cannot be followed.</summary>
/// <param name="reason">Why, as the rest of a sentence that begins with "This wiring is checked at startup only:".</param>
/// <param name="location">The place.</param>
/// <param name="obstacle">Whether it could be written otherwise.</param>
/// <param name="cure">How to write it so that the compiler can follow it: a sentence without a period. Empty if there is no such
/// way.</param>
internal sealed class UnfollowableException(string reason, Location location, Obstacle obstacle = Obstacle.Writing, string cure = "")
    : Exception(cure.Length == 0 ? reason : $"{reason}. {cure}")
{
    public Location Location => location;

    public Obstacle Obstacle => obstacle;
}
