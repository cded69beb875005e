using Microsoft.CodeAnalysis;

namespace Junctivor.Generators.Following;

/// <summary>A call of an option behind a registration.</summary>
/// <param name="Name">The name of the option.</param>
/// <param name="Text">The call, from that name on.</param>
/// <param name="Location">Where that stands.</param>
internal sealed record WrittenOption(string Name, string Text, Location Location);
