namespace Junctivor.Graph;

/// <summary>What one node asks for by one parameter, and what it will get. Made for whoever wants to know: two of the same are equal.</summary>
internal sealed class Need(Node consumer, Parameter parameter, Supply supply) : IEquatable<Need>
{
    public Node Consumer { get; } = consumer;

    public Parameter Parameter { get; } = parameter;

    public Supply Supply { get; } = supply;

    /// <summary>The supply, and everything inside it.</summary>
    public IEnumerable<Supply> Supplies => Supply.All();

    public bool Equals(Need? other) => other is not null && ReferenceEquals(other.Consumer, Consumer) && ReferenceEquals(other.Parameter, Parameter);

    public override bool Equals(object? obj) => Equals(obj as Need);

    public override int GetHashCode() => System.Runtime.CompilerServices.RuntimeHelpers.GetHashCode(Parameter);
}
