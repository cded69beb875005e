namespace Junctivor.Graph;

/// <summary>A constant that was passed, and that fits no parameter or more than one.</summary>
/// <param name="Text">What is wrong with it, as a sentence.</param>
/// <param name="NearName">The parameter that was most likely meant; null if none is near.</param>
/// <param name="PassedName">The name that it was passed under; null if it was passed by its type.</param>
/// <param name="Number">Which of the constants of its registration it is, counted from 0.</param>
internal sealed record UnmatchedArgument(string Text, string? NearName, string? PassedName, int Number)
{
    /// <summary>The parameters among which constants of their type must be distributed by name; none for other mistakes.</summary>
    public IReadOnlyList<string> ToName { get; init; } = [];
}
