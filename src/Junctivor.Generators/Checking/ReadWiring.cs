using Junctivor.Generators.Following;
using Microsoft.CodeAnalysis;

namespace Junctivor.Generators.Checking;

/// <summary>A wiring that has been followed, and what is checked with it.</summary>
/// <param name="Place">Where it is built, checked or marked.</param>
/// <param name="Location">Where that is said.</param>
/// <param name="Severities">The severities that its build sets.</param>
internal sealed record ReadWiring(SyntaxNode Place, Location Location, WrittenSeverities Severities)
{
    /// <summary>Its entries; null if it cannot be followed.</summary>
    public IReadOnlyList<WiringEntry>? Entries { get; init; }

    /// <summary>Why it cannot be followed, and where; null if it can.</summary>
    public UnfollowableException? Unfollowed { get; init; }

    /// <summary>Whether the code that cannot be followed does not compile: then the compiler says so, and that is enough.</summary>
    public bool IsBroken { get; init; }

    /// <summary>The handlers of endpoints that it serves.</summary>
    public IReadOnlyList<WrittenHandler> Handlers { get; init; } = [];

    /// <summary>How many conditions decide on its entries.</summary>
    public int Flags => Entries?.SelectMany(entry => entry.Flags).Distinct().Count() ?? 0;
}
