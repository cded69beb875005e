using Junctivor.Reports.Graphs;

namespace Junctivor.Reports.Text;

/// <summary>Which registrations to list.</summary>
/// <param name="Matching">Text in the name of a service, a class, a mark or a file; null for all.</param>
/// <param name="Lifetime">The lifetime, or the name of a level; null for all.</param>
internal sealed record ListFilter(string? Matching, string? Lifetime)
{
    /// <summary>Everything.</summary>
    public static readonly ListFilter All = new(null, null);

    public bool Takes(SavedGraph graph, SavedRegistration registration) =>
        (Matching is null || TextsOf(graph, registration).Any(text => text.Contains(Matching, StringComparison.OrdinalIgnoreCase)))
        && (Lifetime is null || string.Equals(registration.Lifetime, Lifetime, StringComparison.OrdinalIgnoreCase));

    private static IEnumerable<string> TextsOf(SavedGraph graph, SavedRegistration registration) =>
        [.. registration.Services.Append(registration.Type).Select(graph.NameOf),
            registration.Mark is null ? "" : graph.NameOf(registration.Mark), registration.File ?? ""];
}
