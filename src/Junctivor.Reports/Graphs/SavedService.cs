namespace Junctivor.Reports.Graphs;

/// <summary>Who answers for a service.</summary>
public sealed record SavedService
{
    /// <summary>The full name of the service.</summary>
    public required string Service { get; init; }

    /// <summary>The mark, a text in quotation marks or the full name of a type; null for none.</summary>
    public string? Mark { get; init; }

    /// <summary>The registrations, by id, in the order in which a list has them; with their decorators around.</summary>
    public IReadOnlyList<string> By { get; init; } = [];
}
