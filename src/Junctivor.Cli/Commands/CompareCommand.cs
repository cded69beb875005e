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
