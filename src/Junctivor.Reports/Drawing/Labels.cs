namespace Junctivor.Reports.Drawing;

/// <summary>What is written on boxes and arrows.</summary>
internal static class Labels
{
    private const int MostServices = 2;

    /// <summary>The lines under the title: the other services, what creates it, its mark, its lifetime.</summary>
    public static IReadOnlyList<string> Under(DrawnNode node)
    {
        IReadOnlyList<string> others = [.. node.Services.Skip(1).Where(service => service != node.Maker)];
        string more = others.Count > MostServices ? $" and {others.Count - MostServices} more" : "";
        string also = others.Count == 0 ? "" : $"also {string.Join(", ", others.Take(MostServices))}{more}";
        bool isPlain = node.Kind is "class" or "missing";
        string maker = isPlain || node.Kind is "alias" or "decorator" ? node.Maker : "";
        string lifetime = isPlain ? node.Lifetime : node.IsEntryPoint ? node.Kind : $"{node.Lifetime}, {node.Kind}";
        return [.. new[] { also, maker, node.Mark is null ? "" : $"marked {node.Mark}", lifetime }.Where(line => line.Length > 0)];
    }

    /// <summary>How it is required, where that is not plainly; and the codes of its faults.</summary>
    public static string Of(DrawnEdge edge, DrawnGraph drawing)
    {
        string form = edge.Form is "one" or "missing" ? "" : edge.Form;
        string codes = string.Join(" ", edge.Faults.Select(number => drawing.FaultOf(number).Code).Distinct());
        return $"{form} {codes}".Trim();
    }
}
