namespace Junctivor.Graph;

/// <summary>Reads the edges off what a node needs.</summary>
internal static class Edges
{
    /// <summary>Adds the nodes that the edges of a node lead to: without the edges, which tell by what.</summary>
    /// <param name="node">The node.</param>
    /// <param name="areDeferredAdded">Whether those behind <c>Lazy</c> and <c>Func</c> are added too.</param>
    /// <param name="reached">Where they are added; a node that several edges lead to is added as often.</param>
    public static void AddReached(Node node, bool areDeferredAdded, List<Node> reached)
    {
        foreach (Binding binding in node.Bindings!)
        {
            if (binding is Binding.Single single)
            {
                reached.Add(single.Node);
            }
            else
            {
                AddReached(binding, areDeferredAdded, reached);
            }
        }
    }

    private static void AddReached(Binding binding, bool areDeferredAdded, List<Node> reached)
    {
        switch (binding)
        {
            case Binding.Single single:
                reached.Add(single.Node);
                break;
            case Binding.Many many:
                AddReached(many, areDeferredAdded, reached);
                break;
            case Binding.Keyed keyed:
                AddReached(keyed, areDeferredAdded, reached);
                break;
            case Binding.Deferred { Form.StartsScope: false } deferred when areDeferredAdded:
                AddReached(deferred.Inner, areDeferredAdded, reached);
                break;
        }
    }

    private static void AddReached(Binding.Many many, bool areDeferredAdded, List<Node> reached)
    {
        foreach (Binding element in many.Elements)
        {
            AddReached(element, areDeferredAdded, reached);
        }
    }

    private static void AddReached(Binding.Keyed keyed, bool areDeferredAdded, List<Node> reached)
    {
        foreach ((Mark _, Binding supply) in keyed.Elements)
        {
            AddReached(supply, areDeferredAdded, reached);
        }
    }

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
        Binding.Deferred { Form.StartsScope: true } => [],
        Binding.Deferred deferred => Of(dependency, deferred.Inner, deferred.Form),
        _ => [],
    };
}
