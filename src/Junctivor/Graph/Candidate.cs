namespace Junctivor.Graph;

/// <summary>A registration, under one of the services that it serves.</summary>
internal sealed class Candidate(Node node, ServiceId service, int position)
{
    public Node Node { get; } = node;

    public ServiceId Service { get; } = service;

    /// <summary>Where it stands in lists: where it was written, or where the first stood that it replaces.</summary>
    public int Position { get; } = position;
}
