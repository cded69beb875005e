using System.Text;

namespace Junctivor.Checks;

/// <summary>Writes a fault for people: a heading, the path as a tree in columns, the remarks, the cures.</summary>
internal static class FaultText
{
    private const int LongestPath = 40;
    private const int ShownAtEachEnd = 12;

    public static string Heading(Fault fault) => $"{fault.Code} {fault.Name}: {fault.Summary}";

    public static string Write(Fault fault)
    {
        StringBuilder text = new(Heading(fault));
        foreach (string line in PathLines(fault.Path).Concat(fault.Remarks).Concat(CureLines(fault.Cures)))
        {
            text.Append('\n').Append("  ").Append(line);
        }

        return text.ToString();
    }

    public static IEnumerable<string> PathLines(IReadOnlyList<FaultStep> path)
    {
        // A path that goes straight down and is long needs no indentation, and no middle.
        bool isLong = path.Count > LongestPath;
        List<string> labels = [.. path.Select((step, index) => Label(path, index, indents: !isLong))];
        List<int> shown = [.. Enumerable.Range(0, path.Count).Where(index => !isLong || index < ShownAtEachEnd || index >= path.Count - ShownAtEachEnd)];
        int labelWidth = shown.Select(index => labels[index].Length).DefaultIfEmpty().Max();
        int lifetimeWidth = shown.Select(index => path[index].Lifetime.Length).DefaultIfEmpty().Max();

        foreach (int index in shown)
        {
            if (isLong && index == path.Count - ShownAtEachEnd)
            {
                yield return $"… {path.Count - (2 * ShownAtEachEnd)} more steps …";
            }

            FaultStep step = path[index];
            yield return $"{labels[index].PadRight(labelWidth)}   {step.Lifetime.PadRight(lifetimeWidth)}   {step.Place}".TrimEnd();
        }
    }

    private static string Label(IReadOnlyList<FaultStep> path, int index, bool indents)
    {
        FaultStep step = path[index];
        string name = step.Parameter is null ? step.Name : $"{step.Parameter}: {step.Name}";
        if (step.Depth == 0)
        {
            return name;
        }

        string branch = HasNextSibling(path, index) ? "├─ " : "└─ ";
        string indent = indents ? new string(' ', 3 * (step.Depth - 1)) : "";
        return indent + branch + name;
    }

    private static bool HasNextSibling(IReadOnlyList<FaultStep> path, int index) =>
        path.Skip(index + 1).TakeWhile(later => later.Depth >= path[index].Depth).Any(later => later.Depth == path[index].Depth);

    private static IEnumerable<string> CureLines(IReadOnlyList<string> cures) =>
        cures.Select((cure, index) => (index == 0 ? "Instead: " : "     or: ") + cure);
}
