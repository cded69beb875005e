namespace Junctivor.Reports.Graphs;

/// <summary>What a registration requires by one parameter or property, and what it gets.</summary>
public sealed record SavedNeed
{
    /// <summary>The name of the parameter or property.</summary>
    public required string Parameter { get; init; }

    /// <summary>The full name of the type that is resolved.</summary>
    public required string Service { get; init; }

    /// <summary>The required mark: a string in quotation marks, or the full name of a type. Null for none.</summary>
    public string? Mark { get; init; }

    /// <summary>Whether it is a property, filled after construction.</summary>
    public bool Property { get; init; }

    /// <summary>
    /// How it is met: <c>one</c>, <c>list</c>, <c>dictionary</c>, <c>function</c>, <c>lazy</c>, <c>fresh scope</c>, <c>constant</c>,
    /// <c>argument</c>, <c>scope</c>, <c>container</c>, <c>consuming class</c>, <c>cancellation</c>, <c>nothing</c>, <c>open</c> (a generic
    /// definition, or replaced), <c>missing</c>, <c>ambiguous</c> or <c>unfit</c>.
    /// </summary>
    public required string Gets { get; init; }

    /// <summary>The registrations that meet it, by id.</summary>
    public IReadOnlyList<string> By { get; init; } = [];
}
