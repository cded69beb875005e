using Microsoft.CodeAnalysis;

namespace Junctivor.Generators.Following;

/// <summary>A wiring cannot be followed.</summary>
/// <param name="reason">Why, as the rest of a sentence that begins with "This wiring is checked at startup only:".</param>
/// <param name="location">The place.</param>
/// <param name="obstacle">Whether it could be written otherwise.</param>
internal sealed class UnfollowableException(string reason, Location location, Obstacle obstacle = Obstacle.Writing) : Exception(reason)
{
    public Location Location => location;

    public Obstacle Obstacle => obstacle;
}
