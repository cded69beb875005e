namespace Junctivor.Graph;

/// <summary>A node in an order, with those before it that it needs.</summary>
internal sealed record OrderedNode(Node Node, IReadOnlyList<Node> Dependencies);
