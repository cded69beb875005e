using Junctivor.Graph;

namespace Junctivor.Checks;

/// <summary>The shortest way from a holder to each shared thing that it holds: directly, or through transients and aliases.</summary>
internal static class HeldWays
{
    /// <param name="graph">The graph.</param>
    /// <param name="holder">Where the ways start.</param>
    /// <param name="barren">Transients that lead nowhere, as far as that is known; none by default.</param>
    public static IEnumerable<IReadOnlyList<Edge>> From(ServiceGraph graph, Node holder, HashSet<Node>? barren = null)
    {
        Dictionary<Node, Edge> cameBy = [];
        Queue<Node> open = new([holder]);
        while (open.Count > 0)
        {
            foreach (Edge edge in graph.EdgesOf(open.Dequeue()))
            {
                if (edge.To == holder || barren?.Contains(edge.To) == true || cameBy.ContainsKey(edge.To))
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

    /// <summary>The transients among some nodes that hold nothing shared but singletons. One pass, however they are tangled.</summary>
    public static HashSet<Node> BarrenAmong(ServiceGraph graph, IReadOnlyCollection<Node> nodes)
    {
        HashSet<Node> barren = [.. nodes.Where(node => node.Level.IsTransient)];
        if (graph.Nodes.All(node => node.Level.IsTransient || node.Level == Level.Singleton))
        {
            return barren;
        }

        ILookup<Node, Node> askers = barren.SelectMany(graph.EdgesOf).ToLookup(edge => edge.To, edge => edge.From);
        Queue<Node> leading = new(askers.Select(asked => asked.Key).Where(node => !barren.Contains(node) && node.Level != Level.Singleton));
        while (leading.Count > 0)
        {
            foreach (Node asker in askers[leading.Dequeue()].Where(barren.Remove))
            {
                leading.Enqueue(asker);
            }
        }

        return barren;
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
