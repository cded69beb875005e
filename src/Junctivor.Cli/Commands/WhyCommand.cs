using Junctivor.Cli.Loading;
using Junctivor.Cli.Output;
using Junctivor.Reports.Graphs;
using Junctivor.Reports.Text;

namespace Junctivor.Cli.Commands;

/// <summary>junctivor why: what creates a service and what that needs; and who needs it.</summary>
internal static class WhyCommand
{
    public static int Run(FileInfo file, string service, string? wiring, OutputFormat format, FileInfo? output)
    {
        IReadOnlyList<(SavedGraph Graph, IReadOnlyList<SavedService> Found)> all = [.. WiringSource.Read(file, wiring)
            .Select(graph => (graph, ServiceSearch.Find(graph, service)))];
        if (all.All(each => each.Found.Count == 0))
        {
            throw new CannotCheckException(
                $"{file.Name} has no service '{service}'{ServiceSearch.Near([.. all.Select(each => each.Graph)], service)}: 'junctivor "
                    + $"list {file}' lists all services.");
        }

        if (format == OutputFormat.Json)
        {
            Result.Write(WhyJson.Write([.. all.SelectMany(each => each.Found.Select(found => (each.Graph, found)))]), output);
            return ExitStatus.Sound;
        }

        Result.Show(output, screen =>
        {
            foreach ((SavedGraph graph, IReadOnlyList<SavedService> found) in all.Where(each => each.Found.Count > 0))
            {
                screen.StartPart();
                screen.Write(
                    found.Count == 1
                        ? new WhyText(graph, screen.Width).Lines(found[0])
                        : ServiceSearch.Several(graph, service, found, screen.Width));
            }
        });
        return ExitStatus.Sound;
    }
}
