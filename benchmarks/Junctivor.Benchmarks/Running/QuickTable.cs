using System.Globalization;
using Junctivor.Benchmarks.Cases;
using Spectre.Console;

namespace Junctivor.Benchmarks.Running;

/// <summary>Measures cases in this process, and prints one table of ratios.</summary>
internal static class QuickTable
{
    private const int WidestTable = 120;

    public static int Run(IReadOnlyList<Case> cases)
    {
        List<Measured> measured = [];
        AnsiConsole.Progress().Start(progress =>
        {
            ProgressTask task = progress.AddTask("measuring", maxValue: cases.Count);
            foreach (Case one in cases)
            {
                task.Description = one.Name;
                measured.Add(Stopwatches.Measure(one));
                task.Increment(1);
            }
        });

        AnsiConsole.Profile.Width = Math.Max(AnsiConsole.Profile.Width, WidestTable);
        Table table = new Table().Border(TableBorder.Markdown)
            .AddColumns("case", "against", "time", "at most", "bytes more", "at most", "reached");
        foreach (Measured each in measured)
        {
            table.AddRow(
                each.Case.Name, each.Case.Against, Text($"{each.Ratio:0.00} ×"), Text($"{each.Case.Limit:0.00} ×"),
                Text($"{each.MoreBytes:0}"), each.Case.MoreBytes == int.MaxValue ? "any" : Text($"{each.Case.MoreBytes}"),
                each.IsReached ? "yes" : "no");
        }

        AnsiConsole.Write(table);
        return 0;
    }

    private static string Text(FormattableString text) => text.ToString(CultureInfo.InvariantCulture);
}
