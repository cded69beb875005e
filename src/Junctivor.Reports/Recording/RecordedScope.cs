using System.Text.Json.Serialization;

namespace Junctivor.Reports.Recording;

/// <summary>One scope, or the container, with what was created in it. Times are milliseconds since the recording began. Whoever changes or
/// reads it holds the gate of its recorder.</summary>
internal sealed class RecordedScope
{
    /// <summary>How many instances and requests of one scope are kept.</summary>
    public const int Most = 200;

    /// <summary>Tells it apart from all other scopes of the recording; 0 for the container.</summary>
    public required int Number { get; init; }

    /// <summary><c>singleton</c> for the container, <c>scoped</c>, or the name of a level.</summary>
    public required string Level { get; init; }

    /// <summary>The number of the scope around it; null if the container is.</summary>
    public int? Within { get; init; }

    public required double Began { get; init; }

    /// <summary>When it was disposed; null while it is open.</summary>
    public double? Ended { get; set; }

    public List<RecordedInstance> Instances { get; init; } = [];

    public List<RecordedRequest> Requests { get; init; } = [];

    /// <summary>How many instances and requests were not kept, as there were too many.</summary>
    public int More { get; set; }

    /// <summary>Whether something that happened in it may be missing, as the recording rested while it was open.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingDefault)]
    public bool Partly { get; set; }

    /// <summary>Which window of a sample it was started in.</summary>
    [JsonIgnore]
    public int Window { get; init; }

    /// <summary>When it last changed, as the recorder counts changes.</summary>
    [JsonIgnore]
    public long Version { get; set; }

    /// <summary>Whether it is one of the last, of which instances are kept; of an older one that is still open, only the boxes
    /// are.</summary>
    [JsonIgnore]
    public bool IsKept { get; set; } = true;

    /// <summary>The boxes that it has an instance of.</summary>
    [JsonIgnore]
    public HashSet<string> Keys { get; } = [];
}
