using Junctivor.Graph;

namespace Junctivor.Checks;

/// <summary>
/// Finds the knots of a graph: the largest groups of nodes in which each reaches each by direct needs.
/// Without recursion, so that a chain of any length is walked.
/// </summary>
internal sealed class StronglyConnectedComponents
{
    private const int NotEntered = 0;
    private const int Left = int.MaxValue;

    /// <summary>For each node by its number: when it was entered, or that it is in no knot any more.</summary>
    private readonly int[] _entered;

    private readonly int[] _lowest;
    private readonly List<Node> _path = [];
    private readonly List<IReadOnlyList<Node>> _found = [];
    private int _count = NotEntered;

    private StronglyConnectedComponents(int nodes)
    {
        _entered = new int[nodes];
        _lowest = new int[nodes];
    }

    /// <summary>The groups of more than one node, and the single nodes that need themselves.</summary>
    public static IReadOnlyList<IReadOnlyList<Node>> Of(ServiceGraph graph, IEnumerable<Node> start)
    {
        StronglyConnectedComponents knots = new(graph.Nodes.Count);
        foreach (Node node in start)
        {
            if (knots._entered[node.Number] == NotEntered)
            {
                knots.Walk(node);
            }
        }

        return knots._found;
    }

    private void Walk(Node root)
    {
        List<Step> walk = new() { Enter(root) };
        while (walk.Count > 0)
        {
            Step step = walk[walk.Count - 1];
            if (step.Next == step.Needed.Count)
            {
                walk.RemoveAt(walk.Count - 1);
                Leave(step.Node, step.Needed);
                if (walk.Count > 0)
                {
                    Reach(walk[walk.Count - 1].Node, _lowest[step.Node.Number]);
                }

                continue;
            }

            Node next = step.Needed[step.Next++];
            if (_entered[next.Number] == NotEntered)
            {
                walk.Add(Enter(next));
            }
            else
            {
                Reach(step.Node, _entered[next.Number]);
            }
        }
    }

    private void Reach(Node node, int entered) => _lowest[node.Number] = Math.Min(_lowest[node.Number], entered);

    private Step Enter(Node node)
    {
        _entered[node.Number] = _lowest[node.Number] = ++_count;
        _path.Add(node);
        return new Step(node, DirectlyNeeded(node));
    }

    private void Leave(Node node, List<Node> needed)
    {
        if (_lowest[node.Number] != _entered[node.Number])
        {
            return;
        }

        if (_path[_path.Count - 1] == node && !needed.Contains(node))
        {
            LeaveLast();
            return;
        }

        List<Node> group = [];
        do
        {
            group.Add(LeaveLast());
        }
        while (group[group.Count - 1] != node);
        _found.Add(group);
    }

    /// <summary>What was left is lower than nothing: it does not count for those who still reach it.</summary>
    private Node LeaveLast()
    {
        Node node = _path[_path.Count - 1];
        _path.RemoveAt(_path.Count - 1);
        _entered[node.Number] = Left;
        _lowest[node.Number] = Left;
        return node;
    }

    private static List<Node> DirectlyNeeded(Node node)
    {
        List<Node> needed = new(node.Bindings!.Length);
        Edges.AddReached(node, areDeferredAdded: false, needed);
        return needed;
    }

    /// <summary>A node on the way, and how far it was gone from there.</summary>
    private sealed class Step(Node node, List<Node> needed)
    {
        public Node Node => node;

        public List<Node> Needed => needed;

        public int Next { get; set; }
    }
}
