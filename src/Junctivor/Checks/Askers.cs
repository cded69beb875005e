using Junctivor.Graph;

namespace Junctivor.Checks;

/// <summary>Who asks for what, the other way round; read off the graph when first wanted.</summary>
internal sealed class Askers(ServiceGraph graph)
{
    private readonly Lazy<ILookup<Node, Node>> _askers =
        new(() => graph.Nodes.SelectMany(graph.EdgesOf).ToLookup(edge => edge.To, edge => edge.From));

    /// <summary>Those that need a node while they live.</summary>
    public IEnumerable<Node> Of(Node node) => _askers.Value[node];
}
