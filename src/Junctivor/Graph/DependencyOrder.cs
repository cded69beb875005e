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
                foreach (Edge edge in graph.EdgesOf(node).Where(edge => !edge.IsDeferred && !entered.Contains(edge.To)).Reverse())
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
}
