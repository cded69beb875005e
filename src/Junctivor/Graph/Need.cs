namespace Junctivor.Graph;

/// <summary>What one node asks for by one parameter, and what it will get.</summary>
internal readonly struct Need(Node consumer, Parameter parameter, Supply supply) : IEquatable<Need>
{
    public Node Consumer { get; } = consumer;

    public Parameter Parameter { get; } = parameter;

    public Supply Supply { get; } = supply;

    /// <summary>The supply, and everything inside it.</summary>
    public IEnumerable<Supply> Supplies => Supply.All();

    public bool Equals(Need other) => ReferenceEquals(other.Consumer, Consumer) && ReferenceEquals(other.Parameter, Parameter);

    public override bool Equals(object? obj) => obj is Need other && Equals(other);

    public override int GetHashCode() => System.Runtime.CompilerServices.RuntimeHelpers.GetHashCode(Parameter);
}
