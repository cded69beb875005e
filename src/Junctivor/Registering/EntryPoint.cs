namespace Junctivor;

/// <summary>
/// Something outside the wiring that resolves services, such as an endpoint, a controller or a hub, so that the check knows of it: see
/// <see cref="Container.Check(IReadOnlyCollection{EntryPoint})"/>. It resolves them from a scope. Immutable.
/// </summary>
public sealed record EntryPoint
{
    /// <param name="name">How messages call it, such as <c>GET /berths</c>.</param>
    /// <exception cref="ArgumentException"><paramref name="name"/> is null or empty.</exception>
    public EntryPoint(string name)
    {
        ArgumentException.ThrowIfNullOrEmpty(name);
        Name = name;
    }

    /// <summary>How messages call it.</summary>
    public string Name { get; }

    /// <summary>The services that it resolves; none by default.</summary>
    public IReadOnlyList<RequestedService> Services { get; init; } = [];

    /// <summary>Why the framework cannot serve it, whatever the wiring provides: each is JV110; nothing by default.</summary>
    public IReadOnlyList<EntryPointProblem> Problems { get; init; } = [];

    /// <summary>The source file in which it is written; empty if it is not known.</summary>
    public string File { get; init; } = "";

    /// <summary>The line there, from 1; 0 if it is not known.</summary>
    public int Line { get; init; }

    /// <summary>Whether another entry point is the same.</summary>
    /// <param name="other">The other entry point.</param>
    /// <returns>True if the names, source locations, services and problems are equal.</returns>
    public bool Equals(EntryPoint? other) => other is not null
        && (Name, File, Line) == (other.Name, other.File, other.Line)
        && Services.SequenceEqual(other.Services)
        && Problems.SequenceEqual(other.Problems);

    /// <inheritdoc/>
    public override int GetHashCode() => (Name, File, Line).GetHashCode();
}
