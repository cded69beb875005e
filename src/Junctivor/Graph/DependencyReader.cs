namespace Junctivor.Graph;

/// <summary>Reads the needs of nodes whose parameters the graph has settled.</summary>
internal static class DependencyReader
{
    public static IReadOnlyList<Dependency> Of(Node node)
    {
        Binding[] supplies = node.Bindings!;
        Dependency[] needs = new Dependency[supplies.Length];
        for (int number = 0; number < needs.Length; number++)
        {
            needs[number] = new Dependency(node, number, supplies[number]);
        }

        return needs;
    }

    /// <summary>The needs that are met by anything but one node, or not at all: few, where many are simply met.</summary>
    public static IEnumerable<Dependency> NotMetByOne(IEnumerable<Node> nodes) =>
        nodes.Where(node => !node.IsSimplyMet).SelectMany(Of).Where(need => need.Binding is not Binding.Single);
}
