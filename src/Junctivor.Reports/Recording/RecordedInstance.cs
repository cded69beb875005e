namespace Junctivor.Reports.Recording;

/// <summary>One instance that a container created, or the attempt to create one. Times are milliseconds since the recording
/// began.</summary>
internal sealed record RecordedInstance
{
    /// <summary>Tells it apart from all other instances of the recording; 0 if none came of it.</summary>
    public required int Number { get; init; }

    /// <summary>The key of its box in the drawing; null if the drawing has none.</summary>
    public string? Key { get; init; }

    /// <summary>The class, or the service of a factory.</summary>
    public required string Name { get; init; }

    /// <summary><c>singleton</c>, <c>scoped</c>, <c>transient</c>, or the name of a level.</summary>
    public required string Lifetime { get; init; }

    /// <summary>When its constructor or factory was called; null if that was before the recording.</summary>
    public double? Began { get; init; }

    /// <summary>How long that took, in milliseconds, without its arguments.</summary>
    public double Took { get; init; }

    /// <summary>The class or factory that it was created for; null if it was resolved directly.</summary>
    public string? By { get; init; }

    /// <summary>What it was given.</summary>
    public IReadOnlyList<RecordedArgument> Arguments { get; init; } = [];

    /// <summary>Whether it took as long as counts as slow.</summary>
    public bool Slow { get; init; }

    /// <summary>The type of the exception; null if none was thrown.</summary>
    public string? Failed { get; init; }

    /// <summary>Whether it is in a scope that was open when the recording began, which is not known any further; it is listed with the
    /// container.</summary>
    public bool InOlderScope { get; init; }

    /// <summary>When it was disposed; null if it was not, or cannot be.</summary>
    public double? Disposed { get; set; }
}
