using System.CommandLine;
using Junctivor.Cli.Isolation;
using Junctivor.Cli.Loading;
using Junctivor.Cli.Output;
using Junctivor.Reports.Comparing;
using Junctivor.Reports.Drawing;
using Junctivor.Reports.Graphs;
using Junctivor.Reports.Text;

namespace Junctivor.Cli.Commands;

/// <summary>junctivor compare: what two wirings do not have in common.</summary>
internal static class CompareCommand
{
    /// <summary>The command with its arguments and options.</summary>
    /// <param name="process">Runs code of an assembly.</param>
    public static Command Create(AssemblyProcess process)
    {
        Argument<string> before = new("BEFORE")
        {
            Description = "An assembly or a saved graph; ASSEMBLY@NAME where it has several wirings."
        };
        Argument<string> after = new("AFTER") { Description = "The assembly or saved graph to compare BEFORE with." };
        Option<string?> wiring = CommonOptions.Wiring("The name of the wiring, if it is not given with @.");
        Option<CompareFormat> format = CommonOptions.Format<CompareFormat>(
            "The output format; html is a page that draws both in one, written to a file that is called like them.");
        Option<FileInfo?> output = CommonOptions.Output();
        Option<double> limit = CommonOptions.Limit();
        Command compare = new("compare", "Reports the differences between two wirings; the exit code is 1 if there are any.")
        {
            before, after, wiring, format, output, limit,
        };
        compare.SetAction(arguments => process.Run(
            [arguments.GetRequiredValue(before), arguments.GetRequiredValue(after)],
            arguments.GetValue(limit),
            () => Run(
                arguments.GetRequiredValue(before),
                arguments.GetRequiredValue(after),
                arguments.GetValue(wiring),
                arguments.GetValue(format),
                arguments.GetValue(output))));
        return compare;
    }

    public static int Run(string before, string after, string? wiring, CompareFormat format, FileInfo? output)
    {
        SavedGraph was = WiringSource.ReadOne(before, wiring);
        SavedGraph now = WiringSource.ReadOne(after, wiring);
        IReadOnlyList<GraphChange> changes = GraphComparison.Between(was, now);
        (string nameBefore, string nameAfter) = (NameOf(before, was, now), NameOf(after, now, was));
        switch (format)
        {
            case CompareFormat.Json:
                Result.Write(ComparisonJson.Write(was.Wiring, now.Wiring, changes), output);
                break;
            case CompareFormat.Html:
                DrawnGraph both = DifferenceDrawer.Draw(was, now, $"{nameBefore} → {nameAfter}");
                Result.WritePage(PageText.WriteCompared(both, nameBefore, nameAfter), $"{was.Wiring} to {now.Wiring}", output);
                break;
            default:
                Result.Show(output, screen => screen.Write(CompareText.Lines(nameBefore, nameAfter, changes, screen.Width)));
                break;
        }

        return changes.Count == 0 ? ExitStatus.Sound : ExitStatus.FaultsFound;
    }

    /// <summary>The wiring; with its file where both are called the same.</summary>
    private static string NameOf(string given, SavedGraph graph, SavedGraph other) =>
        graph.Wiring == other.Wiring ? $"{graph.Wiring} ({Path.GetFileName(given)})" : graph.Wiring;
}
