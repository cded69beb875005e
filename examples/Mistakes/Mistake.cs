using Junctivor.Checks;

namespace Mistakes;

/// <summary>A mistake, and how to make it.</summary>
/// <param name="Code">The code of the fault.</param>
/// <param name="Show">Makes the mistake, and gives what Junctivor says to it.</param>
public sealed record Mistake(string Code, Func<CheckReport> Show);
