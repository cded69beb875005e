using Junctivor.Graph;

namespace Junctivor.Reports.Drawing;

/// <summary>The drawing of the wiring of a container, and which box stands for what it creates. Safe for use by several threads.</summary>
/// <param name="Drawing">The drawing.</param>
/// <param name="Keys">The key of the box of each node that has one.</param>
internal sealed record DrawnContainer(DrawnGraph Drawing, IReadOnlyDictionary<Node, string> Keys)
{
    /// <param name="name">What the wiring is called.</param>
    /// <param name="container">The container; nothing is constructed.</param>
    public static DrawnContainer Of(string name, Container container) =>
        container.Plans.Read(graph => GraphDrawer.Draw(name, graph, container.Report));

    /// <summary>The key of the box of a node; null if it has none, such as for what was first resolved later.</summary>
    public string? KeyOf(Node node) => Keys.GetValueOrDefault(node);
}
