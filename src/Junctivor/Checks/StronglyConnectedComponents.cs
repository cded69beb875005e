using System.Diagnostics.CodeAnalysis;
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
    private readonly List<Step> _walk = [];
    private int _steps;
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
        Enter(root);
        while (_steps > 0)
        {
            Step step = _walk[_steps - 1];
            if (step.TryNext(out Node? next))
            {
                if (_entered[next.Number] == NotEntered)
                {
                    Enter(next);
                }
                else
                {
                    Reach(step.Node, _entered[next.Number]);
                }

                continue;
            }

            _steps--;
            Leave(step);
            if (_steps > 0)
            {
                Reach(_walk[_steps - 1].Node, _lowest[step.Node.Number]);
            }
        }
    }

    private void Reach(Node node, int entered) => _lowest[node.Number] = Math.Min(_lowest[node.Number], entered);

    private void Enter(Node node)
    {
        _entered[node.Number] = _lowest[node.Number] = ++_count;
        _path.Add(node);
        if (_steps == _walk.Count)
        {
            _walk.Add(new Step());
        }

        _walk[_steps++].Begin(node);
    }

    private void Leave(Step step)
    {
        Node node = step.Node;
        if (_lowest[node.Number] != _entered[node.Number])
        {
            return;
        }

        if (_path[_path.Count - 1] == node && !step.IsNeededByItself)
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

    /// <summary>A node on the way, and how far it was gone from there. Used again for another one when it is left.</summary>
    private sealed class Step
    {
        private readonly List<Node> _needed = [];
        private Binding[] _bindings = [];
        private int _next;

        public Node Node { get; private set; } = null!;

        public bool IsNeededByItself { get; private set; }

        public void Begin(Node node)
        {
            Node = node;
            IsNeededByItself = false;
            _next = 0;
            _bindings = node.Bindings!;
            if (!node.IsBoundToOne)
            {
                _needed.Clear();
                Edges.AddReached(node, areDeferredAdded: false, _needed);
            }
        }

        /// <summary>Goes to the next node that is directly needed.</summary>
        public bool TryNext([NotNullWhen(true)] out Node? next)
        {
            next = !Node.IsBoundToOne ? _next < _needed.Count ? _needed[_next] : null
                : _next < _bindings.Length ? ((Binding.Single)_bindings[_next]).Node
                : null;
            _next++;
            IsNeededByItself |= next == Node;
            return next is not null;
        }
    }
}
