using System.Text.Json;

namespace Junctivor.Reports.Graphs;

/// <summary>Reads and writes saved graphs as JSON.</summary>
public static class GraphJson
{
    /// <summary>Writes a graph down.</summary>
    /// <param name="graph">The graph.</param>
    /// <returns>Indented JSON with line feeds, the same for the same graph.</returns>
    /// <exception cref="ArgumentNullException">The graph is null.</exception>
    public static string Write(SavedGraph graph)
    {
        ArgumentNullException.ThrowIfNull(graph);
        return JsonSerializer.Serialize(graph, Json.Short);
    }

    /// <summary>Reads a graph back.</summary>
    /// <param name="json">What <see cref="Write"/> gave, or another program wrote in this form.</param>
    /// <returns>The graph.</returns>
    /// <exception cref="SavedGraphException">It is no JSON, no saved graph, or one of a newer version.</exception>
    public static SavedGraph Read(string json)
    {
        ArgumentNullException.ThrowIfNull(json);
        try
        {
            using JsonDocument document = JsonDocument.Parse(json);
            Check(document.RootElement);
            SavedGraph graph = document.Deserialize<SavedGraph>(Json.Short)!;
            CheckWhole(graph);
            CheckReferences(graph);
            return graph;
        }
        catch (Exception failure) when (failure is JsonException { LineNumber: null } or InvalidOperationException or FormatException)
        {
            throw new SavedGraphException("is not a readable saved graph: save it again with 'junctivor list --format json'.", failure);
        }
        catch (JsonException failure)
        {
            throw new SavedGraphException(
                $"is not a readable saved graph (line {(failure.LineNumber ?? 0) + 1}): save it again with 'junctivor list --format json'.",
                failure);
        }
    }

    /// <summary>Nothing in a list may be null, which the reader of JSON lets pass.</summary>
    private static void CheckWhole(SavedGraph graph)
    {
        if (!(AreWhole(graph.WithNeeds) && AreWhole(graph.Services) && AreWhole(graph.Names.Values)
            && graph.WithNeeds.All(
                registration => AreWhole(registration.Services)
                    && AreWhole(registration.Replaced)
                    && AreWhole(registration.Needs)
                    && registration.Needs.All(dependency => AreWhole(dependency.By)))
            && graph.Services.All(service => AreWhole(service.By))))
        {
            throw new SavedGraphException("has null where a value is required: save it again with 'junctivor list --format json'.");
        }
    }

    private static bool AreWhole(IEnumerable<object?> all) => all.All(each => each is not null);

    /// <summary>What is referred to must be there, and nothing may wrap itself: others rely on it.</summary>
    private static void CheckReferences(SavedGraph graph)
    {
        Dictionary<string, SavedRegistration> byId = [];
        foreach (SavedRegistration registration in graph.WithNeeds)
        {
            if ((registration.Services.Count == 0 && registration.CreatedBy != SavedRegistration.EntryPoint)
                || !byId.TryAdd(registration.Id, registration))
            {
                throw new SavedGraphException(
                    $"has '{registration.Id}' twice, or without a service: save it again with 'junctivor list --format json'.");
            }
        }

        IEnumerable<string?> mentioned = graph.WithNeeds
            .SelectMany(
                registration => registration.Needs.SelectMany(dependency => dependency.By)
                    .Append(registration.Around)
                    .Append(registration.FollowsFrom))
            .Concat(graph.Services.SelectMany(service => service.By));
        string? unknown = mentioned.FirstOrDefault(id => id is not null && !byId.ContainsKey(id));
        if (unknown is not null)
        {
            throw new SavedGraphException(
                $"refers to '{unknown}', which it does not contain: save it again with 'junctivor list --format json'.");
        }

        if (graph.WithNeeds.Any(registration => IsWrappedByItself(registration, byId)))
        {
            throw new SavedGraphException("has decorators in a cycle: save it again with 'junctivor list --format json'.");
        }
    }

    private static bool IsWrappedByItself(SavedRegistration registration, Dictionary<string, SavedRegistration> byId)
    {
        HashSet<string> met = [];
        for (SavedRegistration? current = registration; current is not null; current = current.Around is null ? null : byId[current.Around])
        {
            if (!met.Add(current.Id))
            {
                return true;
            }
        }

        return false;
    }

    private static void Check(JsonElement root)
    {
        if (root.ValueKind != JsonValueKind.Object
            || !root.TryGetProperty("format", out JsonElement format)
            || format.ToString() != SavedGraph.FormatName)
        {
            throw new SavedGraphException(
                $"is not a saved graph: it has no \"format\": \"{SavedGraph.FormatName}\". Save one with 'junctivor list --format json'.");
        }

        if (!root.TryGetProperty("version", out JsonElement version) || !version.TryGetInt32(out int number) || number < 1)
        {
            throw new SavedGraphException("is a saved graph without a version: save it again with 'junctivor list --format json'.");
        }

        if (number > SavedGraph.NewestVersion)
        {
            throw new SavedGraphException(
                $"is a saved graph of version {number}, and this command reads versions up to {SavedGraph.NewestVersion}: update the "
                    + "command.");
        }
    }
}
