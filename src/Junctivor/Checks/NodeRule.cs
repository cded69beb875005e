using Junctivor.Graph;

namespace Junctivor.Checks;

/// <summary>A rule of which each fault begins at one node.</summary>
internal abstract class NodeRule : IRule
{
    public bool MayFind(ServiceGraph graph, IReadOnlyList<Node> nodes)
    {
        for (int number = 0; number < nodes.Count; number++)
        {
            if (Concerns(nodes[number]))
            {
                return true;
            }
        }

        return false;
    }

    public abstract IEnumerable<Fault> Inspect(ServiceGraph graph, IReadOnlyCollection<Node> nodes);

    /// <summary>Whether there could be a fault of this node.</summary>
    protected abstract bool Concerns(Node node);
}
