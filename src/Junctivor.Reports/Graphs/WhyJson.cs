using System.Text.Json;

namespace Junctivor.Reports.Graphs;

/// <summary>Writes as JSON what creates a service and what that needs; and who needs it.</summary>
public static class WhyJson
{
    private const int Version = 1;

    /// <summary>Writes services down: see docs/formats.md for the form.</summary>
    /// <param name="found">The services, each with its graph.</param>
    /// <returns>Indented JSON with line feeds.</returns>
    /// <exception cref="ArgumentNullException">The value is null.</exception>
    public static string Write(IReadOnlyList<(SavedGraph Graph, SavedService Service)> found)
    {
        ArgumentNullException.ThrowIfNull(found);
        return JsonSerializer.Serialize(
            new { Format = "junctivor-why", Version, Services = found.Select(each => Of(each.Graph, each.Service)) },
            Json.Short);
    }

    private static object Of(SavedGraph graph, SavedService service)
    {
        Dictionary<string, SavedRegistration> byId =
            graph.WithNeeds.ToDictionary(registration => registration.Id, StringComparer.Ordinal);
        ILookup<string, SavedRegistration> dependents = graph.WithNeeds
            .SelectMany(dependent => dependent.Needs.SelectMany(dependency => dependency.By).Distinct().Select(id => (id, dependent)))
            .ToLookup(requested => requested.id, requested => requested.dependent, StringComparer.Ordinal);
        return new
        {
            graph.Wiring,
            service.Service,
            service.Mark,
            service.By,
            Needs = Reached(service.By, id => byId[id].Needs.SelectMany(dependency => dependency.By)).Select(id => byId[id]),
            NeededBy = Reached(service.By, id => dependents[id].Select(dependent => dependent.Id))
                .Except(service.By)
                .Select(id => byId[id]),
        };
    }

    /// <summary>All that can be reached, the start included, each once.</summary>
    private static IEnumerable<string> Reached(IReadOnlyList<string> start, Func<string, IEnumerable<string>> next)
    {
        HashSet<string> met = new(start, StringComparer.Ordinal);
        Queue<string> open = new(start);
        while (open.TryDequeue(out string? id))
        {
            yield return id;
            foreach (string further in next(id).Where(met.Add))
            {
                open.Enqueue(further);
            }
        }
    }
}
