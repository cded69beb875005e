using Microsoft.CodeAnalysis;

namespace Junctivor.Generators.Following;

/// <summary>A wiring says something that is known only at run time.</summary>
/// <param name="reason">What, as the rest of a sentence that begins with "This wiring is checked at startup only:".</param>
/// <param name="location">Where it says so.</param>
internal sealed class UnfollowableException(string reason, Location location) : Exception(reason)
{
    public Location Location => location;
}
