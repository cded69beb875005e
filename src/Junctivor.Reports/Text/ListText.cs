using Junctivor.Reports.Graphs;

namespace Junctivor.Reports.Text;

/// <summary>Lists the registrations of a wiring: service, made by, lifetime, mark, place.</summary>
internal static class ListText
{
    private static readonly Piece[] Headings =
    [
        new("SERVICE", Tone.Faint), new("MADE BY", Tone.Faint), new("LIFETIME", Tone.Faint), new("MARK", Tone.Faint), new("PLACE", Tone.Faint),
    ];

    /// <param name="graph">The graph.</param>
    /// <param name="filter">What to list.</param>
    /// <param name="width">How many letters a line may have.</param>
    public static IEnumerable<IReadOnlyList<Piece>> Lines(SavedGraph graph, ListFilter filter, int width)
    {
        IReadOnlyList<SavedRegistration> written = [.. graph.Registrations.Where(registration => registration.FollowsFrom is null)];
        IReadOnlyList<SavedRegistration> listed = [.. written.Where(registration => filter.Takes(graph, registration))];
        string counted = Amount(written.Count);
        yield return [new Piece(graph.Wiring, Tone.Strong), new Piece(listed.Count == written.Count ? $": {counted}" : $": {listed.Count} of {counted}")];
        if (listed.Count > 0)
        {
            yield return [];
            foreach (IReadOnlyList<Piece> line in Columns.Lay([Headings, .. listed.SelectMany(registration => Rows(graph, registration))], width))
            {
                yield return line;
            }
        }
    }

    private static string Amount(int registrations) => registrations == 1 ? "1 registration" : $"{registrations} registrations";

    /// <summary>One line for each service; the further ones say with which they share their instance.</summary>
    private static IEnumerable<IReadOnlyList<Piece>> Rows(SavedGraph graph, SavedRegistration registration)
    {
        Tone tone = registration.Replaced ? Tone.Faint : Tone.Plain;
        for (int number = 0; number < registration.Services.Count; number++)
        {
            string service = graph.NameOf(registration.Services[number]);
            string maker = MakerText.Of(graph, registration);
            yield return number == 0
                ?
                [
                    new Piece(service, registration.Replaced ? Tone.Faint : Tone.Strong),
                    new Piece((maker == service ? "itself" : maker) + Remark(graph, registration), tone),
                    new Piece(LifetimeOf(registration), tone),
                    new Piece(registration.Mark is null ? "" : graph.NameOf(registration.Mark), tone),
                    new Piece(registration.Place, Tone.Faint),
                ]
                : [new Piece(service, Tone.Strong), new Piece($"the same {(maker == service ? "object" : maker)}", tone), new Piece("", tone), new Piece("", tone), new Piece("", tone)];
        }
    }

    private static string LifetimeOf(SavedRegistration registration) => registration switch
    {
        { Decorator: true } => "decorator",
        { MadeBy: "alias" } => "alias",
        { Replaced: true } => "replaced",
        _ => registration.Lifetime,
    };

    private static string Remark(SavedGraph graph, SavedRegistration registration) =>
        (registration.OnlyFor is null ? "" : $", for {graph.NameOf(registration.OnlyFor)} only")
        + (registration.ResolvedDirectly ? ", resolved directly" : "");
}
