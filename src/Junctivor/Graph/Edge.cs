namespace Junctivor.Graph;

/// <summary>From a need to a node that meets it. Made for whoever wants to know: two of the same are equal.</summary>
/// <param name="Dependency">Who asks, and by which parameter.</param>
/// <param name="To">What meets it.</param>
/// <param name="By">Through which wrapper it is resolved later; null if it must be there at once.</param>
internal sealed record Edge(Dependency Dependency, Node To, DeferredForm? By)
{
    public Node From => Dependency.Consumer;

    public bool IsDeferred => By is not null;
}
