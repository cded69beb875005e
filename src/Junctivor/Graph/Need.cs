namespace Junctivor.Graph;

/// <summary>What one node asks for by one parameter, and what it will get.</summary>
internal sealed class Need(Node consumer, Parameter parameter, Supply supply)
{
    public Node Consumer { get; } = consumer;

    public Parameter Parameter { get; } = parameter;

    public Supply Supply { get; } = supply;

    /// <summary>The supply, and everything inside it.</summary>
    public IReadOnlyList<Supply> Supplies { get; } = supply is Supply.Single ? [supply] : [.. supply.All()];
}
