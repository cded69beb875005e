namespace Junctivor.Graph;

/// <summary>Reads the edges off what a node needs.</summary>
internal static class Edges
{
    /// <summary>What is reached in a scope of its own is no edge: it neither closes a cycle nor is held.</summary>
    public static IEnumerable<Edge> Of(Node node)
    {
        Binding[] supplies = node.Bindings!;
        for (int number = 0; number < supplies.Length; number++)
        {
            Dependency need = new(node, number, supplies[number]);
            if (need.Binding is Binding.Single single)
            {
                yield return new Edge(need, single.Node, null);
            }
            else
            {
                foreach (Edge edge in Of(need, need.Binding, null))
                {
                    yield return edge;
                }
            }
        }
    }

    private static IEnumerable<Edge> Of(Dependency need, Binding supply, DeferredForm? by) => supply switch
    {
        Binding.Single single => [new Edge(need, single.Node, by)],
        Binding.Many many => many.Elements.SelectMany(element => Of(need, element, by)),
        Binding.Keyed keyed => keyed.Elements.SelectMany(element => Of(need, element.Supply, by)),
        Binding.Deferred { Form: DeferredForm.FreshScope } => [],
        Binding.Deferred deferred => Of(need, deferred.Inner, deferred.Form),
        _ => [],
    };
}
