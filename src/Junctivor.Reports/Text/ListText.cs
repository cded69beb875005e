using Junctivor.Reports.Graphs;

namespace Junctivor.Reports.Text;

/// <summary>Lists the registrations of a wiring: service, what creates it, lifetime, mark, place.</summary>
internal static class ListText
{
    /// <param name="graph">The graph.</param>
    /// <param name="filter">What to list.</param>
    /// <param name="width">How many letters a line may have.</param>
    public static IEnumerable<IReadOnlyList<Piece>> Lines(SavedGraph graph, ListFilter filter, int width)
    {
        IReadOnlyList<SavedRegistration> written = [.. graph.Registrations.Where(registration => registration.FollowsFrom is null)];
        IReadOnlyList<SavedRegistration> listed = [.. written.Where(registration => filter.Takes(graph, registration))];
        string counted = Amount(written.Count);
        yield return [new Piece(graph.Wiring, Tone.Strong),
            new Piece(listed.Count == written.Count ? $": {counted}" : $": {listed.Count} of {counted}")];
        if (listed.Count > 0)
        {
            yield return [];
            foreach (IReadOnlyList<Piece> line in Columns.Lay(
                [Headings(listed.Any(registration => registration.Mark is not null)),
                    .. listed.SelectMany(registration => Rows(graph, registration))], width))
            {
                yield return line;
            }
        }
    }

    private static IReadOnlyList<Piece> Headings(bool hasMarks) =>
    [
        new("SERVICE", Tone.Faint), new("CREATED BY", Tone.Faint), new("LIFETIME", Tone.Faint), new(hasMarks ? "MARK" : "", Tone.Faint),
        new("SOURCE", Tone.Faint),
    ];

    private static string Amount(int registrations) => registrations == 1 ? "1 registration" : $"{registrations} registrations";

    /// <summary>One line for each service; the further ones say with which they share their instance.</summary>
    private static IEnumerable<IReadOnlyList<Piece>> Rows(SavedGraph graph, SavedRegistration registration)
    {
        for (int number = 0; number < registration.Services.Count; number++)
        {
            bool isReplaced = registration.Replaced.Contains(registration.Services[number]);
            Tone tone = isReplaced ? Tone.Faint : Tone.Plain;
            string service = graph.NameOf(registration.Services[number]);
            string maker = MakerText.Of(graph, registration);
            yield return number == 0
                ?
                [
                    new Piece(service, isReplaced ? Tone.Faint : Tone.Strong),
                    new Piece((maker == service ? "itself" : maker) + Remark(graph, registration), tone),
                    new Piece(LifetimeOf(registration, isReplaced), tone),
                    new Piece(registration.Mark is null ? "" : graph.NameOf(registration.Mark), tone),
                    new Piece(registration.Place, Tone.Faint),
                ]
                :
                [
                    new Piece(service, isReplaced ? Tone.Faint : Tone.Strong),
                    new Piece($"the same {(maker == service ? "object" : maker)}", tone),
                    new Piece(isReplaced ? "replaced" : "", tone), new Piece("", tone), new Piece("", tone),
                ];
        }
    }

    private static string LifetimeOf(SavedRegistration registration, bool isReplaced) => registration switch
    {
        _ when isReplaced => "replaced",
        { Decorator: true } => "decorator",
        { CreatedBy: "alias" } => "alias",
        _ => registration.Lifetime,
    };

    private static string Remark(SavedGraph graph, SavedRegistration registration) =>
        (registration.OnlyFor is null ? "" : $", for {graph.NameOf(registration.OnlyFor)} only")
        + (registration.ResolvedDirectly ? ", resolved directly" : "");
}
