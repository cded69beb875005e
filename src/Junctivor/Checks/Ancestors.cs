using Junctivor.Graph;

namespace Junctivor.Checks;

/// <summary>Knows who holds, itself or through transients, something shared that may end before the container. One pass, however all is
/// tangled.</summary>
internal sealed class Ancestors
{
    /// <summary>By the number of the node; null if nothing is known.</summary>
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
        List<Node> open = [];
        List<Node> reached = [];
        for (int number = 0; number < graph.Nodes.Count; number++)
        {
            Node node = graph.Nodes[number];
            reached.Clear();
            Edges.AddReached(node, areDeferredAdded: true, reached);
            foreach (Node next in reached)
            {
                dependents.Add(node);
                before.Add(last[next.Number]);
                last[next.Number] = dependents.Count;
            }

            if (!node.Level.IsTransient && node.Level != Level.Singleton)
            {
                open.Add(node);
            }
        }

        for (int next = 0; next < open.Count; next++)
        {
            Node held = open[next];
            for (int edge = last[held.Number]; edge > 0; edge = before[edge - 1])
            {
                Node dependent = dependents[edge - 1];
                if (!leads[dependent.Number])
                {
                    leads[dependent.Number] = true;
                    if (dependent.Level.IsTransient)
                    {
                        open.Add(dependent);
                    }
                }
            }
        }

        return leads;
    }
}
