namespace Junctivor.Graph;

/// <summary>Reads the edges off what a node needs.</summary>
internal static class Edges
{
    /// <summary>What is reached in a scope of its own is no edge: it neither closes a ring nor is held.</summary>
    public static IEnumerable<Edge> Of(Node node)
    {
        Supply[] supplies = node.Supplies!;
        for (int number = 0; number < supplies.Length; number++)
        {
            Need need = new(node, number, supplies[number]);
            if (need.Supply is Supply.Single single)
            {
                yield return new Edge(need, single.Node, null);
            }
            else
            {
                foreach (Edge edge in Of(need, need.Supply, null))
                {
                    yield return edge;
                }
            }
        }
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
