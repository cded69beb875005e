using Junctivor.Graph;

namespace Junctivor.Checks;

/// <summary>The shortest way from a holder to each shared thing that it holds: directly, or through transients and aliases.</summary>
internal static class DependencyPaths
{
    /// <param name="holder">Where the ways start.</param>
    /// <param name="leading">Which transients lead to something shared, as far as that is known; all, by default.</param>
    public static IEnumerable<IReadOnlyList<Edge>> From(Node holder, Ancestors? leading = null)
    {
        Dictionary<Node, Edge> cameBy = [];
        Queue<Node> open = new([holder]);
        while (open.Count > 0)
        {
            foreach (Edge edge in open.Dequeue().Edges)
            {
                if (edge.To == holder || (edge.To.Level.IsTransient && leading?.Leads(edge.To) == false) || cameBy.ContainsKey(edge.To))
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
        List<Edge> path = [];
        for (Node node = goal; node != holder; node = cameBy[node].From)
        {
            path.Add(cameBy[node]);
        }

        path.Reverse();
        return path;
    }
}
