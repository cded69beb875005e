using Junctivor.Graph;

namespace Junctivor.Checks;

/// <summary>The shortest way from a holder to each shared thing that it holds: directly, or through transients and aliases.</summary>
internal static class HeldWays
{
    public static IEnumerable<IReadOnlyList<Edge>> From(ServiceGraph graph, Node holder)
    {
        Dictionary<Node, Edge> cameBy = [];
        Queue<Node> open = new([holder]);
        while (open.Count > 0)
        {
            foreach (Edge edge in graph.EdgesOf(open.Dequeue()))
            {
                if (edge.To == holder || cameBy.ContainsKey(edge.To))
                {
                    continue;
                }

                cameBy.Add(edge.To, edge);
                if (edge.To.Level.IsTransient)
                {
                    open.Enqueue(edge.To);
                }
                else
                {
                    yield return WayTo(edge.To, holder, cameBy);
                }
            }
        }
    }

    private static List<Edge> WayTo(Node goal, Node holder, Dictionary<Node, Edge> cameBy)
    {
        List<Edge> way = [];
        for (Node node = goal; node != holder; node = cameBy[node].From)
        {
            way.Add(cameBy[node]);
        }

        way.Reverse();
        return way;
    }
}
