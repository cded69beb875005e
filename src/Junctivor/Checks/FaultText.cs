namespace Junctivor.Checks;

/// <summary>Writes a fault for people: a heading, the path as a tree in columns, the remarks, the fixes, and where more is
/// written.</summary>
internal static class FaultText
{
    private const int LongestPath = 40;
    private const int ShownAtEachEnd = 12;
    private const string Indent = "  ";

    /// <summary>What the last line starts with.</summary>
    public const string MoreStart = $"{Indent}More: ";

    private const string FirstFix = "Fix: ";
    private const string OtherFix = " or: ";

    public static string Write(Fault fault) => string.Join("\n", Lines(fault, int.MaxValue));

    /// <summary>One that a registration accepts, in short.</summary>
    public static string WriteAccepted(Fault fault) => $"Accepted: {fault.Kind}: {fault.Summary}\n{Indent}reason: {fault.AcceptedBecause}";

    /// <summary>The start of the heading: the code, the name and the severity, except for an error.</summary>
    public static string Start(Fault fault) => fault.Severity == Severity.Error
        ? $"{fault.Kind}:"
        : $"{fault.Kind} ({(fault.Severity == Severity.Warning ? "warning" : "note")}):";

    /// <summary>All lines, the heading first, none longer than a width where that can be; code is never broken.</summary>
    public static IEnumerable<string> Lines(Fault fault, int width)
    {
        foreach (string line in LineWrapping.Lines($"{Start(fault)} {fault.Summary}", width, Indent + Indent))
        {
            yield return line;
        }

        int inner = width == int.MaxValue ? width : width - Indent.Length;
        foreach (string line in PathLines(fault.Path, inner)
            .Concat(fault.Remarks.SelectMany(remark => LineWrapping.Lines(remark, inner, ""))).Concat(FixLines(fault.Fixes, inner)))
        {
            yield return Indent + line;
        }

        yield return $"{MoreStart}{fault.Kind.HelpCommand}, or {fault.Kind.HelpLink}";
    }

    /// <summary>The steps as a tree in columns; where the columns are too wide, each place stands under its step.</summary>
    public static IEnumerable<string> PathLines(IReadOnlyList<FaultStep> path, int width = int.MaxValue)
    {
        // A path that goes straight down and is long needs no indentation, and no middle.
        bool isLong = path.Count > LongestPath;
        List<int> shown = [.. Enumerable.Range(0, path.Count)
            .Where(index => !isLong || index < ShownAtEachEnd || index >= path.Count - ShownAtEachEnd)];
        Dictionary<int, string> labels = shown.ToDictionary(index => index, index => Label(path, index, indents: !isLong));
        int labelWidth = shown.Select(index => labels[index].Length).DefaultIfEmpty().Max();
        int lifetimeWidth = shown.Select(index => path[index].Lifetime.Length).DefaultIfEmpty().Max();
        bool fits = shown.All(index => labelWidth + lifetimeWidth + path[index].Place.Length + 6 <= width);

        foreach (int index in shown)
        {
            if (isLong && index == path.Count - ShownAtEachEnd)
            {
                yield return $"… {path.Count - (2 * ShownAtEachEnd)} more steps …";
            }

            FaultStep step = path[index];
            string start = $"{labels[index].PadRight(labelWidth)}   {step.Lifetime.PadRight(lifetimeWidth)}";
            yield return fits ? $"{start}   {step.Place}".TrimEnd() : start.TrimEnd();
            if (!fits && step.Place.Length > 0)
            {
                yield return $"{new string(' ', 3 * (isLong ? 1 : step.Depth + 1))}{step.Place}";
            }
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

        string branch = HasNextSibling(path, index, step.Depth) ? "├─ " : "└─ ";
        string indent = indents
            ? string.Concat(Enumerable.Range(1, step.Depth - 1).Select(depth => HasNextSibling(path, index, depth) ? "│  " : "   "))
            : "";
        return indent + branch + name;
    }

    private static bool HasNextSibling(IReadOnlyList<FaultStep> path, int index, int depth) =>
        path.Skip(index + 1).TakeWhile(later => later.Depth >= depth).Any(later => later.Depth == depth);

    /// <summary>The advice, and under it the code, which can be copied as a line of its own.</summary>
    private static IEnumerable<string> FixLines(IReadOnlyList<Fix> fixes, int width)
    {
        foreach ((Fix fix, int number) in fixes.Select((fix, number) => (fix, number)))
        {
            string advice = fix.Code is null ? fix.Advice : $"{fix.Advice}:";
            foreach (string line in LineWrapping.Lines(advice, width, new string(' ', FirstFix.Length), number == 0 ? FirstFix : OtherFix))
            {
                yield return line;
            }

            foreach (string code in fix.Code?.Split('\n') ?? [])
            {
                yield return new string(' ', FirstFix.Length + Indent.Length) + code;
            }
        }
    }
}
