namespace Junctivor;

/// <summary>Why a framework cannot serve an <see cref="EntryPoint"/> as it is written, whatever the wiring provides. Immutable.</summary>
public sealed record EntryPointProblem
{
    /// <param name="summary">What is wrong, on one line, without a full stop.</param>
    /// <exception cref="ArgumentException"><paramref name="summary"/> is null or empty.</exception>
    public EntryPointProblem(string summary)
    {
        ArgumentException.ThrowIfNullOrEmpty(summary);
        Summary = summary;
    }

    /// <summary>What is wrong, on one line, without a full stop.</summary>
    public string Summary { get; }

    /// <summary>The ways to fix it, the best first, each as a phrase such as <c>write [FromServices] before it</c>.</summary>
    public IReadOnlyList<string> Fixes { get; init; } = [];

    /// <summary>Whether another problem is the same.</summary>
    /// <param name="other">The other problem.</param>
    /// <returns>True if summaries and fixes are equal.</returns>
    public bool Equals(EntryPointProblem? other) => other is not null && Summary == other.Summary && Fixes.SequenceEqual(other.Fixes);

    /// <inheritdoc/>
    public override int GetHashCode() => Summary.GetHashCode(StringComparison.Ordinal);
}
