using System.Text;

namespace Junctivor.Reports.Drawing;

/// <summary>Writes a drawing as a Mermaid flowchart.</summary>
internal static class MermaidText
{
    public static string Write(DrawnGraph drawing)
    {
        StringBuilder text = new("flowchart TB\n");
        foreach (DrawnNode node in drawing.Nodes)
        {
            (string open, string close) = ShapeOf(node);
            string label = string.Join("<br/>", Labels.Under(node).Prepend(node.Title).Select(Escape));
            text.Append($"  {node.Key}{open}\"{label}\"{close}:::{ClassOf(node)}\n");
        }

        foreach (DrawnEdge edge in drawing.Edges)
        {
            string label = Labels.Of(edge, drawing);
            text.Append($"  {edge.From} {ArrowOf(edge)}{(label.Length == 0 ? "" : $"|\"{Escape(label)}\"|")} {edge.To}\n");
        }

        Strike(edge => edge.Faults.Any(drawing.IsSerious), "stroke:#B3123A,stroke-width:3px,color:#B3123A");
        Strike(
            edge => edge.Faults.Count > 0 && !edge.Faults.Any(drawing.IsSerious), "stroke:#8A4B00,stroke-width:2px,color:#8A4B00");
        foreach (DrawnNode node in drawing.Nodes.Where(node => node.Kind != "missing" && node.Faults.Any(drawing.IsSerious)))
        {
            text.Append($"  style {node.Key} stroke:#B3123A,stroke-width:3px\n");
        }

        return text.Append("  classDef singleton fill:#D6E4EF,stroke:#1D4E74,color:#10202C\n")
            .Append("  classDef scoped fill:#FBE7C2,stroke:#8A5A00,color:#2E1F00\n")
            .Append("  classDef transient fill:#F7F7F5,stroke:#5B6670,color:#20262B\n")
            .Append("  classDef level fill:#E4DDF1,stroke:#53408F,color:#1F1736\n")
            .Append("  classDef entry fill:#FFFFFF,stroke:#1B2329,color:#1B2329\n")
            .Append("  classDef missing fill:#FFFFFF,stroke:#B3123A,color:#B3123A,stroke-dasharray:5 4\n")
            .ToString();

        void Strike(Func<DrawnEdge, bool> concerns, string style)
        {
            IReadOnlyList<int> numbers = [.. Enumerable.Range(0, drawing.Edges.Count).Where(number => concerns(drawing.Edges[number]))];
            if (numbers.Count > 0)
            {
                text.Append($"  linkStyle {string.Join(",", numbers)} {style}\n");
            }
        }
    }

    private static (string Open, string Close) ShapeOf(DrawnNode node) => ClassOf(node) switch
    {
        "singleton" => ("[[", "]]"),
        "scoped" => ("(", ")"),
        "transient" => ("([", "])"),
        "level" => ("{{", "}}"),
        "entry" => (">", "]"),
        _ => ("[", "]"),
    };

    private static string ClassOf(DrawnNode node) =>
        node.Kind == "missing" ? "missing"
        : node.IsEntryPoint ? "entry"
        : node.Lifetime is "singleton" or "scoped" or "transient" ? node.Lifetime : "level";

    private static string ArrowOf(DrawnEdge edge) =>
        edge.Faults.Count > 0 || edge.Form == "decorates" ? "==>" : edge.IsDeferred || edge.Form == "alias" ? "-.->" : "-->";

    /// <summary>What means something there is written by its number: quotation marks, angle brackets, signs of Markdown.</summary>
    private static string Escape(string text)
    {
        StringBuilder escaped = new();
        foreach (char letter in text)
        {
            escaped.Append(letter switch
            {
                ' ' or '.' or ',' or '_' or '+' or '-' or '/' or ':' => $"{letter}",
                _ when char.IsLetterOrDigit(letter) => $"{letter}",
                _ => $"#{(int)letter};",
            });
        }

        return escaped.ToString();
    }
}
