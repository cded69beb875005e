namespace Junctivor.Graph;

/// <summary>What one node requires by one parameter, and what it will get. Made for whoever wants to know: two of the same are
/// equal.</summary>
/// <param name="Consumer">The node that asks.</param>
/// <param name="Number">The number of the parameter.</param>
/// <param name="Binding">What it will get.</param>
internal sealed record Dependency(Node Consumer, int Number, Binding Binding)
{
    public Parameter Parameter => Consumer.Parameters[Number];

    /// <summary>The supply, and everything inside it.</summary>
    public IEnumerable<Binding> Bindings => Binding.All();

    /// <summary>Whether it is, or contains, something that the place of the resolution provides.</summary>
    public bool Takes(AmbientForm form) => Bindings.Any(binding => binding is Binding.Ambient ambient && ambient.Form == form);

    public bool Equals(Dependency? other) => other is not null && ReferenceEquals(other.Consumer, Consumer) && other.Number == Number;

    public override int GetHashCode() => (Consumer, Number).GetHashCode();
}
