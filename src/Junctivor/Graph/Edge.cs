namespace Junctivor.Graph;

/// <summary>From a need to a node that meets it.</summary>
internal sealed class Edge(Need need, Node to, DeferredForm? by)
{
    /// <summary>Who asks, and by which parameter.</summary>
    public Need Need { get; } = need;

    public Node From => Need.Consumer;

    public Node To { get; } = to;

    /// <summary>Through which wrapper it is asked for later; null where it must be there at once.</summary>
    public DeferredForm? By { get; } = by;

    public bool IsDeferred => By is not null;
}
