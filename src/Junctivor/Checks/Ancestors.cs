using Junctivor.Graph;

namespace Junctivor.Checks;

/// <summary>Knows who holds, itself or through transients, something shared that may end before the container. One pass, however all is
/// tangled.</summary>
internal sealed class Ancestors
{
    /// <summary>By the number of the node; null where nothing is known.</summary>
    private readonly bool[]? _leads;

    private Ancestors(bool[]? leads) => _leads = leads;

    /// <param name="graph">The graph.</param>
    /// <param name="nodes">What is looked at: of a few that came later nothing is found out, as going through the whole graph would take
    /// longer.</param>
    public static Ancestors Among(ServiceGraph graph, IReadOnlyCollection<Node> nodes) =>
        new(nodes.Count * 2 < graph.Nodes.Count ? null : Find(graph));

    /// <summary>Whether something shorter-lived than a singleton may be held.</summary>
    public bool Leads(Node node) => _leads is null || _leads[node.Number];

    private static bool[] Find(ServiceGraph graph)
    {
        bool[] leads = new bool[graph.Nodes.Count];
        if (!graph.HasScopes)
        {
            return leads;
        }

        // Who asks, the other way round: for each node the last edge to it, and for each edge the one before it; edges count from one.
        int[] last = new int[leads.Length];
        List<Node> dependents = new(leads.Length);
        List<int> before = new(leads.Length);
        Queue<Node> open = [];
        foreach (Node node in graph.Nodes)
        {
            foreach (Edge edge in node.Edges)
            {
                dependents.Add(node);
                before.Add(last[edge.To.Number]);
                last[edge.To.Number] = dependents.Count;
            }

            if (!node.Level.IsTransient && node.Level != Level.Singleton)
            {
                open.Enqueue(node);
            }
        }

        while (open.TryDequeue(out Node? held))
        {
            for (int edge = last[held.Number]; edge > 0; edge = before[edge - 1])
            {
                Node dependent = dependents[edge - 1];
                if (!leads[dependent.Number])
                {
                    leads[dependent.Number] = true;
                    if (dependent.Level.IsTransient)
                    {
                        open.Enqueue(dependent);
                    }
                }
            }
        }

        return leads;
    }
}
