namespace Junctivor.Graph;

/// <summary>The nodes of a graph, each with its bindings. Only a <see cref="GraphBuilder"/> adds to it.</summary>
internal sealed class NodeList
{
    private readonly List<Node> _nodes;

    public NodeList(int capacity) => _nodes = new List<Node>(capacity);

    public IReadOnlyList<Node> All => _nodes;

    /// <summary>Whether something lives as long as a scope.</summary>
    public bool HasScopes { get; private set; }

    /// <summary>Whether something lives as long as a scope of a level of the user's own.</summary>
    public bool HasUsersLevels { get; private set; }

    /// <summary>Whether a value is supplied only after the container is built.</summary>
    public bool HasLateValues { get; private set; }

    /// <summary>Whether something is said to be resolved directly.</summary>
    public bool HasRoots { get; private set; }

    public void Add(Node node, Binding[] bindings)
    {
        node.Settle(_nodes.Count, bindings);
        HasScopes |= !node.Level.IsTransient && node.Level != Level.Singleton;
        HasUsersLevels |= node.Level.IsUsersOwn;
        HasLateValues |= node.Has(RegistrationFlags.SuppliedLater);
        for (Node? each = node; each is not null; each = each.Inner)
        {
            HasRoots |= each.Has(RegistrationFlags.ResolvedDirectly);
        }

        _nodes.Add(node);
    }
}
