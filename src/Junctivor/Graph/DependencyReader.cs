namespace Junctivor.Graph;

/// <summary>Reads the needs of nodes whose parameters the graph has settled.</summary>
internal static class DependencyReader
{
    public static IReadOnlyList<Dependency> Of(Node node)
    {
        Binding[] bindings = node.Bindings!;
        Dependency[] dependencies = new Dependency[bindings.Length];
        for (int number = 0; number < dependencies.Length; number++)
        {
            dependencies[number] = new Dependency(node, number, bindings[number]);
        }

        return dependencies;
    }

    /// <summary>The needs that are met by anything but one node, or not at all: few, where many are simply met.</summary>
    public static IEnumerable<Dependency> NotMetByOne(IEnumerable<Node> nodes) =>
        nodes.Where(node => !node.IsBoundToOne).SelectMany(Of).Where(dependency => dependency.Binding is not Binding.Single);
}
