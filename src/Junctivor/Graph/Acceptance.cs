namespace Junctivor.Graph;

/// <summary>That a registration accepts a kind of fault, and why.</summary>
internal sealed record Acceptance(string Code, string Reason);
