namespace Junctivor.Graph;

/// <summary>Reads the edges off what a node needs.</summary>
internal static class Edges
{
    /// <summary>What is reached in a scope of its own is no edge: it neither closes a cycle nor is held.</summary>
    public static IEnumerable<Edge> Of(Node node)
    {
        Binding[] bindings = node.Bindings!;
        for (int number = 0; number < bindings.Length; number++)
        {
            Dependency dependency = new(node, number, bindings[number]);
            if (dependency.Binding is Binding.Single single)
            {
                yield return new Edge(dependency, single.Node, null);
            }
            else
            {
                foreach (Edge edge in Of(dependency, dependency.Binding, null))
                {
                    yield return edge;
                }
            }
        }
    }

    private static IEnumerable<Edge> Of(Dependency dependency, Binding binding, DeferredForm? by) => binding switch
    {
        Binding.Single single => [new Edge(dependency, single.Node, by)],
        Binding.Many many => many.Elements.SelectMany(element => Of(dependency, element, by)),
        Binding.Keyed keyed => keyed.Elements.SelectMany(element => Of(dependency, element.Supply, by)),
        Binding.Deferred { Form: DeferredForm.FreshScope } => [],
        Binding.Deferred deferred => Of(dependency, deferred.Inner, deferred.Form),
        _ => [],
    };
}
