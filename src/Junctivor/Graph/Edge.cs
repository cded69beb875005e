namespace Junctivor.Graph;

/// <summary>From a need to a node that meets it.</summary>
internal sealed class Edge(Need need, Node to, bool isDeferred)
{
    /// <summary>Who asks, and by which parameter.</summary>
    public Need Need { get; } = need;

    public Node From => Need.Consumer;

    public Node To { get; } = to;

    /// <summary>Whether it is asked for later, through <c>Lazy</c> or <c>Func</c>.</summary>
    public bool IsDeferred { get; } = isDeferred;
}
