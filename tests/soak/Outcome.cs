namespace Junctivor.Soak;

/// <summary>What came of a part.</summary>
/// <param name="Figures">What was run, in numbers.</param>
/// <param name="Trouble">What went wrong; null if nothing did.</param>
internal sealed record Outcome(string Figures, string? Trouble);
