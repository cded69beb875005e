using Junctivor.Graph;
using Junctivor.Reading;

namespace Junctivor.Runtime;

/// <summary>Knows which nodes of a branch are singletons of its parent, which the parent creates, keeps and ends.</summary>
internal sealed class SharedNodes(Container parent, WiringReader branch)
{
    private readonly Dictionary<Node, Node?> _counterparts = [];

    public Container Parent => parent;

    public bool IsShared(Node node) => CounterpartOf(node) is not null;

    /// <summary>The node of the parent that this one of the branch stands for; null if it is the branch's own.</summary>
    public Node? CounterpartOf(Node node)
    {
        if (!_counterparts.TryGetValue(node, out Node? counterpart))
        {
            counterpart = Find(node);
            _counterparts.Add(node, counterpart);
        }

        return counterpart;
    }

    private Node? Find(Node node)
    {
        if (node.Level != Level.Singleton
            || !node.IsInWiring
            || parent.Plans.Reader.NodeFor(WiringReader.EntryOf(node)) is not { } written)
        {
            return null;
        }

        if (node.IsDecorator)
        {
            return node.Inner is not null && CounterpartOf(node.Inner) is { } inner ? parent.Plans.FindAround(inner, written) : null;
        }

        return node.IsRegistration ? written : parent.Plans.FindClosing(written, branch.Types[node.Services[0]]);
    }
}
