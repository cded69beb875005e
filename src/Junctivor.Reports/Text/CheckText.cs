using Junctivor.Checks;
using Junctivor.Reports.Faults;

namespace Junctivor.Reports.Text;

/// <summary>Lays out the report of one wiring: a heading, the faults, and what registrations accept.</summary>
internal static class CheckText
{
    private static readonly IReadOnlyList<Piece> Blank = [];

    /// <summary>The lines, none longer than a width where that is possible; code is never broken.</summary>
    public static IEnumerable<IReadOnlyList<Piece>> Lay(NamedReport report, int width)
    {
        CheckReport found = report.Report;
        string registrations = report.Registrations == 1 ? "1 registration" : $"{report.Registrations} registrations";
        string entryPoints = report.EntryPoints switch { 0 => "", 1 => ", 1 entry point", var several => $", {several} entry points" };
        yield return
            [new Piece($"{report.Wiring}: {found.Counts}", found.IsSound ? Tone.Good : Tone.Bad), $"  ({registrations}{entryPoints})"];
        foreach (IReadOnlyList<Piece> line in found.All.SelectMany(fault => LinesOf(fault, width))
            .Concat(found.Accepted.SelectMany(AcceptedLinesOf)))
        {
            yield return line;
        }
    }

    /// <summary>The lines that name the wirings which the compiler could not follow.</summary>
    public static IEnumerable<IReadOnlyList<Piece>> Lay(IReadOnlyList<UnfollowedWiring> unfollowed, int width)
    {
        yield return [new Piece("Not checked by the compiler (JV901):", Tone.Warning)];
        foreach (UnfollowedWiring each in unfollowed)
        {
            string place = each.File.Length > 0 ? $" ({Path.GetFileName(each.File)}:{each.Line})" : "";
            foreach (string line in LineWrapping.Lines($"{each.Name}: {each.Reason}{place}", width, "    ", "  "))
            {
                yield return [line];
            }
        }
    }

    private static IEnumerable<IReadOnlyList<Piece>> LinesOf(Fault fault, int width)
    {
        string start = FaultText.Start(fault);
        IReadOnlyList<string> lines = [.. FaultText.Lines(fault, width)];
        return
        [
            Blank,
            [new Piece(start, ToneOf(fault.Severity)), lines[0][start.Length..]],
            .. lines.Skip(1)
                .Select(line =>
                    (IReadOnlyList<Piece>)[line.StartsWith(FaultText.MoreStart, StringComparison.Ordinal)
                        ? new Piece(line, Tone.Faint)
                        : line]),
        ];
    }

    private static IEnumerable<IReadOnlyList<Piece>> AcceptedLinesOf(Fault fault) =>
        [Blank, .. FaultText.WriteAccepted(fault).Split('\n').Select(line => (IReadOnlyList<Piece>)[new Piece(line, Tone.Faint)])];

    private static Tone ToneOf(Severity severity) => severity switch
    {
        Severity.Error => Tone.Bad,
        Severity.Warning => Tone.Warning,
        _ => Tone.Note,
    };
}
