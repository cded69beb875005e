namespace Junctivor.Graph;

/// <summary>What one node asks for by one parameter, and what it will get.</summary>
internal sealed class Need(Node consumer, Parameter parameter, Supply supply)
{
    private IReadOnlyList<Supply>? _supplies;

    public Node Consumer { get; } = consumer;

    public Parameter Parameter { get; } = parameter;

    public Supply Supply { get; } = supply;

    /// <summary>The supply, and everything inside it.</summary>
    public IReadOnlyList<Supply> Supplies => _supplies ??= [.. Supply.All()];
}
