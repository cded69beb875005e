using Junctivor.Reports.Recording;

namespace Junctivor.Reports.Drawing;

/// <summary>What a page has in it.</summary>
/// <param name="Wiring">What the wiring is called.</param>
/// <param name="Nodes">The boxes.</param>
/// <param name="Edges">The arrows.</param>
/// <param name="Faults">The faults.</param>
/// <param name="Recorded">What was recorded of a container; null for nothing.</param>
/// <param name="Compared">What the two wirings are called of which it shows the differences; null if it shows one.</param>
/// <param name="Live">Whether the page is told what a running container does, by events.</param>
internal sealed record PageData(
    string Wiring,
    IReadOnlyList<DrawnNode> Nodes,
    IReadOnlyList<DrawnEdge> Edges,
    IReadOnlyList<DrawnFault> Faults,
    Recorded? Recorded = null,
    ComparedNames? Compared = null,
    bool Live = false)
{
    public static PageData Of(DrawnGraph drawing) => new(drawing.Wiring, drawing.Nodes, drawing.Edges, drawing.Faults);
}
