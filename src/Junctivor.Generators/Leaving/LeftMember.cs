namespace Junctivor.Generators.Leaving;

/// <summary>What is left behind of one member.</summary>
/// <param name="Id">The member.</param>
/// <param name="Text">Its wiring or level.</param>
internal sealed record LeftMember(string Id, string Text);
