using Junctivor.Reports.Faults;

namespace Junctivor.Cli.Loading;

/// <summary>The wirings of an assembly that are checked.</summary>
/// <param name="Wirings">Those that can be read.</param>
/// <param name="Problems">A line for each of the others.</param>
/// <param name="Unfollowed">The wirings that the compiler could not follow.</param>
internal sealed record FoundWirings(
    IReadOnlyList<FoundWiring> Wirings, IReadOnlyList<string> Problems, IReadOnlyList<UnfollowedWiring> Unfollowed);
