using System.Text.Json.Serialization;

namespace Junctivor.Reports.Recording;

/// <summary>What a recorder has recorded, or what has changed of that. Immutable, but for the scopes in it.</summary>
internal sealed record Recorded
{
    /// <summary>When the recording began.</summary>
    public required DateTimeOffset Began { get; init; }

    /// <summary>How many milliseconds later this was taken from it.</summary>
    public required double Now { get; init; }

    /// <summary>How many scopes are kept.</summary>
    public required int Kept { get; init; }

    /// <summary>How many scopes were started.</summary>
    public required int Started { get; init; }

    /// <summary>How many of them are not disposed.</summary>
    public required int Open { get; init; }

    /// <summary>Whether scopes were left out, as there were more in a second than are recorded.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingDefault)]
    public bool Sampled { get; init; }

    public IReadOnlyList<RecordedCount> Counts { get; init; } = [];

    /// <summary>The container first, then the scopes in the order in which they were started.</summary>
    public IReadOnlyList<RecordedScope> Scopes { get; init; } = [];
}
