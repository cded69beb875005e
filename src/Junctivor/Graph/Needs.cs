namespace Junctivor.Graph;

/// <summary>Reads the needs of nodes whose parameters the graph has settled.</summary>
internal static class Needs
{
    public static IReadOnlyList<Need> Of(Node node)
    {
        Supply[] supplies = node.Supplies!;
        Need[] needs = new Need[supplies.Length];
        for (int number = 0; number < needs.Length; number++)
        {
            needs[number] = new Need(node, number, supplies[number]);
        }

        return needs;
    }

    /// <summary>The needs that are met by anything but one node, or not at all: few, where many are simply met.</summary>
    public static IEnumerable<Need> NotMetByOne(IEnumerable<Node> nodes) =>
        nodes.Where(node => !node.IsSimplyMet).SelectMany(Of).Where(need => need.Supply is not Supply.Single);
}
