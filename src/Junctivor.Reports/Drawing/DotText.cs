using System.Text;

namespace Junctivor.Reports.Drawing;

/// <summary>Writes a drawing in the language of Graphviz.</summary>
internal static class DotText
{
    public static string Write(DrawnGraph drawing)
    {
        StringBuilder text = new();
        text.Append("digraph ").Append(Quote(drawing.Wiring)).Append(" {\n")
            .Append("  graph [rankdir=TB, ranksep=0.6, nodesep=0.3, fontname=\"Helvetica\", bgcolor=\"white\"]\n")
            .Append("  node [fontname=\"Helvetica\", fontsize=11, style=filled, margin=\"0.16,0.08\"]\n")
            .Append("  edge [fontname=\"Helvetica\", fontsize=9, color=\"#5B6670\", fontcolor=\"#434C54\", arrowsize=0.7]\n");
        foreach (DrawnNode node in drawing.Nodes)
        {
            string label = string.Join("\n", Labels.Under(node).Prepend(node.Title));
            text.Append($"  {node.Key} [label={Quote(label)}, {StyleOf(node, drawing)}]\n");
        }

        foreach (DrawnEdge edge in drawing.Edges)
        {
            text.Append($"  {edge.From} -> {edge.To} [label={Quote(Labels.Of(edge, drawing))}{StyleOf(edge, drawing)}]\n");
        }

        return text.Append("}\n").ToString();
    }

    /// <summary>Lifetimes differ by shape and by color.</summary>
    private static string StyleOf(DrawnNode node, DrawnGraph drawing)
    {
        string style = node switch
        {
            { Kind: "missing" } => "shape=box, style=\"dashed\", color=\"#B3123A\", fontcolor=\"#B3123A\", penwidth=2",
            { IsEntryPoint: true } => "shape=invhouse, fillcolor=\"#FFFFFF\", color=\"#1B2329\"",
            { Lifetime: "singleton" } => "shape=box, peripheries=2, fillcolor=\"#D6E4EF\", color=\"#1D4E74\"",
            { Lifetime: "scoped" } => "shape=box, style=\"filled,rounded\", fillcolor=\"#FBE7C2\", color=\"#8A5A00\"",
            { Lifetime: "transient" } => "shape=ellipse, fillcolor=\"#F7F7F5\", color=\"#5B6670\"",
            _ => "shape=octagon, fillcolor=\"#E4DDF1\", color=\"#53408F\"",
        };
        return node.Kind != "missing" && node.Faults.Any(drawing.IsSerious) ? $"{style}, color=\"#B3123A\", penwidth=2" : style;
    }

    private static string StyleOf(DrawnEdge edge, DrawnGraph drawing)
    {
        string form = edge switch
        {
            { IsDeferred: true } => ", style=dashed",
            { Form: "list" or "dictionary" } => ", arrowhead=crow",
            { Form: "decorates" } => ", arrowhead=diamond, penwidth=1.6",
            { Form: "alias" } => ", style=dotted, penwidth=1.6",
            _ => "",
        };
        return edge.Faults.Any(drawing.IsSerious) ? $"{form}, color=\"#B3123A\", fontcolor=\"#B3123A\", penwidth=3"
            : edge.Faults.Count > 0 ? $"{form}, color=\"#8A4B00\", fontcolor=\"#8A4B00\", penwidth=2"
            : form;
    }

    /// <summary>Only quotation marks and backslashes mean something else there; a line break is written. Lines are centred by whoever shows
    /// them, whatever font is there, which formatted labels are not.</summary>
    private static string Quote(string text) => $"\"{text.Replace("\\", "\\\\", StringComparison.Ordinal)
        .Replace("\"", "\\\"", StringComparison.Ordinal)
        .Replace("\n", "\\n", StringComparison.Ordinal)}\"";
}
