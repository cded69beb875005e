namespace Junctivor.Graph;

/// <summary>Reads the edges off a need.</summary>
internal static class Edges
{
    /// <summary>What is reached in a scope of its own is no edge: it neither closes a ring nor is held.</summary>
    public static IReadOnlyList<Edge> OfAll(Need[] needs)
    {
        List<Edge> edges = new(needs.Length);
        foreach (Need need in needs)
        {
            if (need.Supply is Supply.Single single)
            {
                edges.Add(new Edge(need, single.Node, null));
            }
            else
            {
                edges.AddRange(Of(need, need.Supply, null));
            }
        }

        return edges;
    }

    private static IEnumerable<Edge> Of(Need need, Supply supply, DeferredForm? by) => supply switch
    {
        Supply.Single single => [new Edge(need, single.Node, by)],
        Supply.Many many => many.Elements.SelectMany(element => Of(need, element, by)),
        Supply.Keyed keyed => keyed.Elements.SelectMany(element => Of(need, element.Supply, by)),
        Supply.Deferred { Form: DeferredForm.FreshScope } => [],
        Supply.Deferred deferred => Of(need, deferred.Inner, deferred.Form),
        _ => [],
    };
}
