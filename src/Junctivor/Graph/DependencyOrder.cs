namespace Junctivor.Graph;

/// <summary>Orders nodes so that each stands behind what it needs at once. Without recursion.</summary>
internal static class DependencyOrder
{
    /// <summary>Those of the targets that are reached, each after what it needs; in the order written where that leaves a choice.</summary>
    public static IReadOnlyList<Node> Of(ServiceGraph graph, IEnumerable<Node> targets)
    {
        HashSet<Node> wanted = [.. targets];
        HashSet<Node> entered = [];
        HashSet<Node> left = [];
        List<Node> ordered = [];
        Stack<Node> open = new(wanted.OrderByDescending(node => node.Order));
        while (open.Count > 0)
        {
            Node node = open.Peek();
            if (entered.Add(node))
            {
                foreach (Edge edge in node.Edges.Where(edge => !edge.IsDeferred && !entered.Contains(edge.To)).Reverse())
                {
                    open.Push(edge.To);
                }
            }
            else
            {
                open.Pop();
                if (left.Add(node) && wanted.Contains(node))
                {
                    ordered.Add(node);
                }
            }
        }

        return ordered;
    }

    /// <summary>The targets in that order, each with those of them that it needs at once: itself, or through what is no target.</summary>
    public static IReadOnlyList<OrderedNode> WithDependencies(ServiceGraph graph, IEnumerable<Node> targets)
    {
        IReadOnlyList<Node> ordered = Of(graph, targets);
        HashSet<Node> wanted = [.. ordered];
        return [.. ordered.Select(node => new OrderedNode(node, DependenciesAmong(graph, node, wanted)))];
    }

    private static List<Node> DependenciesAmong(ServiceGraph graph, Node start, HashSet<Node> wanted)
    {
        HashSet<Node> entered = [start];
        List<Node> dependencies = [];
        Stack<Node> open = new([start]);
        while (open.TryPop(out Node? node))
        {
            foreach (Node needed in node.Edges.Where(edge => !edge.IsDeferred).Select(edge => edge.To).Where(entered.Add))
            {
                if (wanted.Contains(needed))
                {
                    dependencies.Add(needed);
                }
                else
                {
                    open.Push(needed);
                }
            }
        }

        return dependencies;
    }
}
