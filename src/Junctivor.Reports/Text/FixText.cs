using DiffPlex.DiffBuilder;
using DiffPlex.DiffBuilder.Model;
using Junctivor.Checks;
using Junctivor.Graph;

namespace Junctivor.Reports.Text;

/// <summary>Lays out what was fixed: each fault with what became of it, and then the lines that change.</summary>
internal static class FixText
{
    private const string Indent = "  ";
    private static readonly IReadOnlyList<Piece> Blank = [];

    /// <summary>The lines, none longer than a width where that is possible; code is never broken.</summary>
    public static IEnumerable<IReadOnlyList<Piece>> Lines(
        IReadOnlyList<ReportedFix> done, IReadOnlyList<ChangedSource> changed, int width)
    {
        foreach (IReadOnlyList<Piece> line in done.SelectMany(each => FaultLines(each, changed, width)))
        {
            yield return line;
        }

        string folder = SourcePlaceText.SharedFolder(changed.Select(source => new SourcePlace(source.File, 1)));
        foreach ((string file, string before, string after) in changed)
        {
            yield return [new Piece(file[folder.Length..], Tone.Strong)];
            foreach (IReadOnlyList<Piece> line in Difference(before, after))
            {
                yield return line;
            }

            yield return Blank;
        }
    }

    /// <summary>The last line.</summary>
    public static IReadOnlyList<Piece> Summary(IReadOnlyList<ReportedFix> done, int files, bool isDryRun)
    {
        int made = done.Count(each => each.Obstacle is null);
        if (done.Count == 0)
        {
            return [new Piece("No faults: nothing to fix.", Tone.Good)];
        }

        string count = $"{made} of {done.Count} {(done.Count == 1 ? "fault" : "faults")} {(isDryRun ? "can be fixed" : "fixed")}";
        string rest = made < done.Count ? $" {done.Count - made} to fix by hand." : "";
        string written = files == 0 ? ""
            : isDryRun ? " Nothing was written (--dry-run)."
            : $" {(files == 1 ? "1 file was" : $"{files} files were")} written: build, and check again.";
        return [new Piece($"{count}.", made == done.Count ? Tone.Good : Tone.Bad), rest + written];
    }

    private static IEnumerable<IReadOnlyList<Piece>> FaultLines(ReportedFix each, IReadOnlyList<ChangedSource> changed, int width)
    {
        Fault fault = each.Fault;
        Fix? shown = each.Made ?? (fault.Fixes.Count > 0 ? fault.Fixes[0] : null);
        IReadOnlyList<string> heading = [.. LineWrapping.Lines($"{fault.Kind}: {fault.Summary}", width, Indent + Indent)];
        yield return [new Piece($"{fault.Kind}:", each.Obstacle is null ? Tone.Good : Tone.Bad), heading[0][$"{fault.Kind}:".Length..]];
        foreach (string line in heading.Skip(1))
        {
            yield return [line];
        }

        foreach (string line in each.Obstacle is null ? [] : Wrapped($"not made, because {each.Obstacle}.", width))
        {
            yield return [line];
        }

        foreach (string line in shown is null ? []
            : each.Made is null ? AdviceLines("by hand", shown.Advice, shown.Code?.Split('\n') ?? [], width)
            : IsWritten(shown, changed) ? AdviceLines("fix", shown.Advice, shown.Code?.Split('\n') ?? [], width)
            : AdviceLines("fix", WithoutExample(shown.Advice), [], width))
        {
            yield return [line];
        }

        yield return Blank;
    }

    private static IEnumerable<string> AdviceLines(string start, string advice, string[] code, int width) =>
        Wrapped($"{start}: {advice}{(code.Length == 0 ? "" : ":")}", width).Concat(code.Select(line => Indent + Indent + Indent + line));

    /// <summary>Whether the code of a fix is written as it stands there, and is no example; the differences show what is written.</summary>
    private static bool IsWritten(Fix fix, IReadOnlyList<ChangedSource> changed) => fix.Code is not { } code
        || (!code.Contains('\n', StringComparison.Ordinal)
            && changed.Any(source => source.After.Contains(code, StringComparison.Ordinal)));

    /// <summary>Without the clause that leads over to the code.</summary>
    private static string WithoutExample(string advice) =>
        advice.LastIndexOf(';') is var end and >= 0 ? advice[..end] : advice;

    private static IEnumerable<string> Wrapped(string text, int width) =>
        LineWrapping.Lines(text, width - Indent.Length, Indent).Select(line => Indent + line);

    /// <summary>The lines that change, each with its number, and one line around them.</summary>
    private static IEnumerable<IReadOnlyList<Piece>> Difference(string before, string after)
    {
        List<DiffPiece> lines = [.. InlineDiffBuilder.Diff(before, after, ignoreWhiteSpace: false).Lines];
        int numberWidth = $"{lines.Count}".Length;
        int old = 0;
        int last = -1;
        for (int index = 0; index < lines.Count; index++)
        {
            DiffPiece line = lines[index];
            old += line.Type == ChangeType.Inserted ? 0 : 1;
            bool isChanged = line.Type != ChangeType.Unchanged;
            if (!isChanged && !IsChanged(index - 1) && !IsChanged(index + 1))
            {
                continue;
            }

            if (last >= 0 && index > last + 1)
            {
                yield return [new Piece($"{Indent}{"…".PadLeft(numberWidth)}", Tone.Faint)];
            }

            last = index;
            string number = (line.Type == ChangeType.Inserted ? "" : $"{old}").PadLeft(numberWidth);
            yield return line.Type switch
            {
                ChangeType.Inserted => [new Piece($"{Indent}{number} + {line.Text}", Tone.Good)],
                ChangeType.Deleted => [new Piece($"{Indent}{number} - {line.Text}", Tone.Bad)],
                _ => [new Piece($"{Indent}{number}   {line.Text}", Tone.Faint)],
            };
        }

        bool IsChanged(int index) => index >= 0 && index < lines.Count && lines[index].Type != ChangeType.Unchanged;
    }
}
