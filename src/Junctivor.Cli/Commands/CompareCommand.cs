using Junctivor.Cli.Loading;
using Junctivor.Cli.Output;
using Junctivor.Reports.Comparing;
using Junctivor.Reports.Graphs;
using Junctivor.Reports.Text;

namespace Junctivor.Cli.Commands;

/// <summary>junctivor compare: what two wirings do not have in common.</summary>
internal static class CompareCommand
{
    public static int Run(string before, string after, string? wiring, OutputFormat format, FileInfo? output)
    {
        SavedGraph was = WiringSource.ReadOne(before, wiring);
        SavedGraph now = WiringSource.ReadOne(after, wiring);
        IReadOnlyList<GraphChange> changes = GraphComparison.Between(was, now);
        if (format == OutputFormat.Json)
        {
            Result.Write(ComparisonJson.Write(was.Wiring, now.Wiring, changes), output);
        }
        else
        {
            Result.Show(
                output, screen =>
                    screen.Write(CompareText.Lines(NameOf(before, was, now), NameOf(after, now, was), changes, screen.Width)));
        }

        return changes.Count == 0 ? ExitStatus.Sound : ExitStatus.FaultsFound;
    }

    /// <summary>The wiring; with its file where both are called the same.</summary>
    private static string NameOf(string given, SavedGraph graph, SavedGraph other) =>
        graph.Wiring == other.Wiring ? $"{graph.Wiring} ({Path.GetFileName(given)})" : graph.Wiring;
}
