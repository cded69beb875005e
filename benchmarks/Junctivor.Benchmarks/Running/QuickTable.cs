using System.Globalization;
using System.Runtime.InteropServices;
using Junctivor.Benchmarks.Cases;
using Spectre.Console;

namespace Junctivor.Benchmarks.Running;

/// <summary>Measures cases, and prints one table of ratios.</summary>
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
                measured.Add(Stopwatches.Measure(one) with
                {
                    InstructionsByHand = InstructionCounter.Count(one, isWired: false),
                    Instructions = InstructionCounter.Count(one, isWired: true),
                });
                task.Increment(1);
            }
        });

        AnsiConsole.Profile.Width = Math.Max(AnsiConsole.Profile.Width, WidestTable);
        Table table = new Table().Border(TableBorder.Markdown)
            .AddColumns("case", "against", "time", "at most", "bytes more", "at most", "reached", "instructions");
        foreach (Measured each in measured)
        {
            table.AddRow(
                each.Case.Name, each.Case.Against, Text($"{each.Ratio:0.00} ×"), Text($"{each.Case.Limit:0.00} ×"),
                Text($"{each.MoreBytes:0}"), each.Case.MoreBytes == int.MaxValue ? "any" : Text($"{each.Case.MoreBytes}"),
                each.IsReached ? "yes" : "no", Instructions(each));
        }

        AnsiConsole.Write(table);
        AnsiConsole.WriteLine($"{Processor()}, {RuntimeInformation.FrameworkDescription}, {RuntimeInformation.OSDescription}.");
        return 0;
    }

    /// <summary>Of one operation, by hand and with the container.</summary>
    private static string Instructions(Measured each) =>
        each is { InstructionsByHand: { } byHand, Instructions: { } wired } ? Text($"{byHand:0} → {wired:0}") : "–";

    private static string Processor()
    {
        const string Names = "/proc/cpuinfo";
        string? line = File.Exists(Names)
            ? File.ReadLines(Names).FirstOrDefault(each => each.StartsWith("model name", StringComparison.Ordinal))
            : Environment.GetEnvironmentVariable("PROCESSOR_IDENTIFIER");
        string name = line?.Split(':')[^1].Trim() ?? $"{RuntimeInformation.ProcessArchitecture}";
        return $"{name}, {Environment.ProcessorCount} cores";
    }

    private static string Text(FormattableString text) => text.ToString(CultureInfo.InvariantCulture);
}
