using System.CommandLine;
using Junctivor.Cli.Isolation;
using Junctivor.Cli.Loading;
using Junctivor.Cli.Output;
using Junctivor.Reports.Graphs;
using Junctivor.Reports.Text;

namespace Junctivor.Cli.Commands;

/// <summary>junctivor why: what creates a service and what that needs; and who needs it.</summary>
internal static class WhyCommand
{
    /// <summary>The command with its arguments and options.</summary>
    /// <param name="process">Runs code of an assembly.</param>
    public static Command Create(AssemblyProcess process)
    {
        Argument<FileInfo> file = CommonOptions.File();
        Argument<string> service = new("SERVICE")
        {
            Description = "The short or full name of the service. For a marked service: SERVICE@MARK."
        };
        Option<string?> wiring = CommonOptions.Wiring("Explain only the wiring of this name.");
        Option<OutputFormat> format = CommonOptions.Format<OutputFormat>("The output format; json has all services that match.");
        Option<FileInfo?> output = CommonOptions.Output();
        Option<double> limit = CommonOptions.Limit();
        Command why = new("why", "Explains a service: what creates it, its dependencies as a tree, and what depends on it.")
        {
            file, service, wiring, format, output, limit,
        };
        why.SetAction(arguments => process.RunPaged(arguments.GetRequiredValue(file), arguments.GetValue(limit), () =>
            Run(
                arguments.GetRequiredValue(file), arguments.GetRequiredValue(service), arguments.GetValue(wiring),
                arguments.GetValue(format),
                arguments.GetValue(output))));
        return why;
    }

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
