using Junctivor.Reports.Graphs;

namespace Junctivor.Reports.Text;

/// <summary>Finds a service by a name that may be short.</summary>
internal static class ServiceSearch
{
    /// <summary>Those that are called exactly so, in full or in short; else those that have it in their name.</summary>
    public static IReadOnlyList<SavedService> Find(SavedGraph graph, string wanted)
    {
        IReadOnlyList<SavedService> exact = Named(graph, wanted, StringComparison.Ordinal);
        IReadOnlyList<SavedService> alike = exact.Count > 0 ? exact : Named(graph, wanted, StringComparison.OrdinalIgnoreCase);
        return alike.Count > 0
            ? alike
            : [.. graph.Services.Where(
                service => service.By.Count > 0 && graph.NameOf(service.Service).Contains(wanted, StringComparison.OrdinalIgnoreCase))];
    }

    /// <summary>The matches, to be chosen from.</summary>
    public static IEnumerable<IReadOnlyList<Piece>> Several(
        SavedGraph graph, string wanted, IReadOnlyList<SavedService> found, int width) =>
    [
        [new Piece(graph.Wiring, Tone.Strong), $": {found.Count} services match '{wanted}'; specify one of them"],
        .. Columns.Lay(
            [.. found.Select(
                service =>
                    (IReadOnlyList<Piece>)[new Piece($"  {NameOf(graph, service)}", Tone.Strong), new Piece(service.Service, Tone.Faint)])],
                    width),
    ];

    /// <summary>A hint at names that are nearly the same; empty if there are none.</summary>
    public static string Near(IEnumerable<SavedGraph> graphs, string wanted) =>
        Words.Near(graphs.SelectMany(graph => graph.Services.Select(service => graph.NameOf(service.Service))), wanted);

    /// <summary>How a service is named on the command line.</summary>
    private static string NameOf(SavedGraph graph, SavedService service) =>
        graph.NameOf(service.Service) + (service.Mark is null ? "" : $"@{MarkOf(graph, service.Mark)}");

    private static string MarkOf(SavedGraph graph, string mark) => graph.NameOf(mark).Trim('"');

    private static IReadOnlyList<SavedService> Named(SavedGraph graph, string wanted, StringComparison comparison) =>
    [
        .. graph.Services.Where(service => service.By.Count > 0
            && (string.Equals(NameOf(graph, service), wanted, comparison)
                || string.Equals(service.Service, wanted, comparison)
                || string.Equals(graph.NameOf(service.Service), wanted, comparison))),
    ];
}
