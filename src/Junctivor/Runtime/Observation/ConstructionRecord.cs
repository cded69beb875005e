using Junctivor.Graph;

namespace Junctivor.Runtime;

/// <summary>One call of a constructor or factory, for whoever records it.</summary>
internal readonly record struct ConstructionRecord
{
    public required Node Node { get; init; }

    /// <summary>What it returned; null if it threw.</summary>
    public object? Instance { get; init; }

    /// <summary>The container or scope that the instance belongs to.</summary>
    public required Resolver Home { get; init; }

    /// <summary>What it was given, in the order of <see cref="Node.Parameters"/>.</summary>
    public IReadOnlyList<object?> Arguments { get; init; }

    /// <summary>The class or factory for which it was created; null if it was resolved directly.</summary>
    public string? RequestedBy { get; init; }

    /// <summary>When the call began, as <see cref="System.Diagnostics.Stopwatch.GetTimestamp"/> tells it.</summary>
    public required long Began { get; init; }

    /// <summary>How long the call took, without its arguments.</summary>
    public required TimeSpan Took { get; init; }

    /// <summary>Whether it took as long as counts as slow.</summary>
    public bool IsSlow { get; init; }

    /// <summary>The type of what it threw; null if it returned.</summary>
    public Type? Failure { get; init; }
}
