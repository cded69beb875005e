using Junctivor.Graph;

namespace Junctivor.Checks;

/// <summary>Who requires what, the other way round; read off the graph when first wanted.</summary>
internal sealed class ReverseDependencies(ServiceGraph graph)
{
    private readonly Lazy<ILookup<Node, Node>> _askers =
        new(() => graph.Nodes.SelectMany(node => node.Edges).ToLookup(edge => edge.To, edge => edge.From));

    private readonly Lazy<ILookup<Node, Node>> _reaching = new(() => WithValues(graph));

    /// <summary>The values for a default scope that a node reaches, in the order written.</summary>
    public IEnumerable<Node> ValuesFor(Node node) => _reaching.Value[node];

    /// <summary>Those that need a node while they live.</summary>
    public IEnumerable<Node> Of(Node node) => _askers.Value[node];

    /// <summary>One walk up from each value, so that many faults do not each walk down.</summary>
    private static ILookup<Node, Node> WithValues(ServiceGraph graph)
    {
        IReadOnlyList<Node> values = [.. graph.Nodes.Where(node => node.Kind == NodeKind.Incoming && node.Level == Level.Scoped)];
        List<(Node Node, Node Value)> reaching = [];
        if (values.Count == 0)
        {
            return reaching.ToLookup(pair => pair.Node, pair => pair.Value);
        }

        ILookup<Node, Node> above = graph.Nodes
            .SelectMany(
                node => node.Dependencies.SelectMany(dependency => ServiceGraph.NodesIn(dependency.Binding))
                    .Select(needed => (node, needed)))
            .ToLookup(pair => pair.needed, pair => pair.node);
        foreach (Node value in values)
        {
            HashSet<Node> met = [value];
            Stack<Node> open = new([value]);
            while (open.Count > 0)
            {
                Node node = open.Pop();
                reaching.Add((node, value));
                foreach (Node dependent in above[node].Where(met.Add))
                {
                    open.Push(dependent);
                }
            }
        }

        return reaching.ToLookup(pair => pair.Node, pair => pair.Value);
    }
}
