using System.Text.Json;
using Junctivor.Reports.Drawing;
using Junctivor.Reports.Graphs;

namespace Junctivor.Reports.Recording;

/// <summary>A recording as it is kept in a file, with the drawing of its wiring: see docs/formats.md.</summary>
internal sealed record Timeline
{
    private const string FormatName = "junctivor-timeline";
    private const int NewestVersion = 1;

    public string Format { get; init; } = FormatName;

    public int Version { get; init; } = NewestVersion;

    public required DrawnGraph Drawing { get; init; }

    public required Recorded Recorded { get; init; }

    /// <summary>Writes what was recorded until now.</summary>
    public static string Write(DrawnGraph drawing, ScopeRecorder recorder)
    {
        string text = "";
        recorder.Read(ScopeRecorder.Beginning, recorded => text = JsonSerializer.Serialize(
            new Timeline { Drawing = drawing, Recorded = recorded }, DrawingContext.ForFile.Timeline));
        return text + "\n";
    }

    /// <summary>Reads one that was written; null if the text is something else.</summary>
    /// <exception cref="SavedGraphException">It is one of a newer form, or damaged.</exception>
    public static Timeline? TryRead(string text)
    {
        using JsonDocument? document = TryParse(text);
        if (VersionOf(document) is not { } version)
        {
            return null;
        }

        if (version > NewestVersion)
        {
            throw new SavedGraphException(
                $"is a timeline of version {version}, and this command reads versions up to {NewestVersion}: update the command.");
        }

        try
        {
            // Only the command reads timelines. The source-generated reader would read a missing list as null.
            Timeline timeline = JsonSerializer.Deserialize<Timeline>(text, Json.Full)!;
            return !HasNull(document!.RootElement) && timeline.IsWhole ? timeline : throw new SavedGraphException(Damaged);
        }
        catch (JsonException failure)
        {
            throw new SavedGraphException(Damaged, failure);
        }
    }

    private const string Damaged = "is a damaged timeline: record it again with container.RecordScopes(FILE).";

    /// <summary>Whether all that refers to a box or a scope refers to one that is there.</summary>
    private bool IsWhole
    {
        get
        {
            HashSet<string> keys = [.. Drawing.Nodes.Select(node => node.Key)];
            return Drawing.Edges.All(edge => keys.Contains(edge.From) && keys.Contains(edge.To))
                && Recorded.Scopes.Count > 0 && Recorded.Scopes[0].Number == 0;
        }
    }

    /// <summary>Whether a list has null in it, which none has that was recorded.</summary>
    private static bool HasNull(JsonElement part) => part.ValueKind switch
    {
        JsonValueKind.Array => part.EnumerateArray().Any(each => each.ValueKind == JsonValueKind.Null || HasNull(each)),
        JsonValueKind.Object => part.EnumerateObject().Any(each => HasNull(each.Value)),
        _ => false,
    };

    private static JsonDocument? TryParse(string text)
    {
        try
        {
            return JsonDocument.Parse(text);
        }
        catch (JsonException)
        {
            return null;
        }
    }

    private static int? VersionOf(JsonDocument? document) =>
        document?.RootElement is { ValueKind: JsonValueKind.Object } root
        && root.TryGetProperty("format", out JsonElement format)
        && format.ValueKind == JsonValueKind.String && format.ValueEquals(FormatName)
        && root.TryGetProperty("version", out JsonElement version)
        && version.ValueKind == JsonValueKind.Number && version.TryGetInt32(out int number)
            ? number
            : null;
}
