using Junctivor.Graph;

namespace Junctivor.Checks;

/// <summary>
/// Finds the knots of a graph: the largest groups of nodes in which each reaches each by direct needs.
/// Without recursion, so that a chain of any length is walked.
/// </summary>
internal sealed class Knots
{
    private readonly ServiceGraph _graph;
    private readonly Dictionary<Node, int> _entered = [];
    private readonly Dictionary<Node, int> _lowest = [];
    private readonly HashSet<Node> _onPath = [];
    private readonly Stack<Node> _path = new();
    private readonly List<IReadOnlyList<Node>> _found = [];

    private Knots(ServiceGraph graph) => _graph = graph;

    /// <summary>The groups of more than one node, and the single nodes that need themselves.</summary>
    public static IReadOnlyList<IReadOnlyList<Node>> Of(ServiceGraph graph, IEnumerable<Node> start)
    {
        Knots knots = new(graph);
        foreach (Node node in start)
        {
            if (!knots._entered.ContainsKey(node))
            {
                knots.Walk(node);
            }
        }

        return knots._found;
    }

    private void Walk(Node root)
    {
        Stack<(Node Node, IEnumerator<Edge> Edges)> walk = new();
        walk.Push(Enter(root));
        while (walk.Count > 0)
        {
            (Node node, IEnumerator<Edge> edges) = walk.Peek();
            if (edges.MoveNext())
            {
                Node next = edges.Current.To;
                if (!_entered.TryGetValue(next, out int entered))
                {
                    walk.Push(Enter(next));
                }
                else if (_onPath.Contains(next))
                {
                    _lowest[node] = Math.Min(_lowest[node], entered);
                }
            }
            else
            {
                walk.Pop();
                Leave(node);
                if (walk.Count > 0)
                {
                    Node parent = walk.Peek().Node;
                    _lowest[parent] = Math.Min(_lowest[parent], _lowest[node]);
                }
            }
        }
    }

    private (Node Node, IEnumerator<Edge> Edges) Enter(Node node)
    {
        _entered.Add(node, _entered.Count);
        _lowest.Add(node, _entered[node]);
        _path.Push(node);
        _onPath.Add(node);
        return (node, DirectEdges(node).GetEnumerator());
    }

    private void Leave(Node node)
    {
        if (_lowest[node] != _entered[node])
        {
            return;
        }

        List<Node> group = [];
        Node member;
        do
        {
            member = _path.Pop();
            _onPath.Remove(member);
            group.Add(member);
        }
        while (member != node);

        if (group.Count > 1 || DirectEdges(node).Any(edge => edge.To == node))
        {
            _found.Add(group);
        }
    }

    private IEnumerable<Edge> DirectEdges(Node node) => _graph.EdgesOf(node).Where(edge => !edge.IsDeferred);
}
