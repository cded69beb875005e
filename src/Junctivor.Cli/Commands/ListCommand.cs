using System.CommandLine;
using Junctivor.Cli.Isolation;
using Junctivor.Cli.Loading;
using Junctivor.Cli.Output;
using Junctivor.Reports.Graphs;
using Junctivor.Reports.Text;

namespace Junctivor.Cli.Commands;

/// <summary>junctivor list: the registrations of a wiring; or all that it means, to be saved.</summary>
internal static class ListCommand
{
    /// <summary>The command with its arguments and options.</summary>
    /// <param name="process">Runs code of an assembly.</param>
    public static Command Create(AssemblyProcess process)
    {
        Argument<FileInfo> file = CommonOptions.File();
        Option<string?> wiring = CommonOptions.Wiring("List only the wiring of this name.");
        Option<string?> matching = new("--matching")
        {
            Description = "Only registrations with this text in a service, a class, a mark or a file.",
            HelpName = "TEXT"
        };
        Option<string?> lifetime = new("--lifetime")
        {
            Description = "Only this lifetime: singleton, scoped, transient, or a scope level of your own.",
            HelpName = "NAME"
        };
        Option<OutputFormat> format = CommonOptions.Format<OutputFormat>("text, or json: the whole graph, to be saved and compared.");
        Option<FileInfo?> output = CommonOptions.Output();
        Option<double> limit = CommonOptions.Limit();
        Command list = new("list", "Lists the registrations of a wiring: service, class or factory, lifetime, mark, source location.")
        {
            file, wiring, matching, lifetime, format, output, limit,
        };
        list.SetAction(arguments => process.RunPaged(arguments.GetRequiredValue(file), arguments.GetValue(limit), () =>
            Run(
                arguments.GetRequiredValue(file),
                arguments.GetValue(wiring),
                new ListFilter(arguments.GetValue(matching), arguments.GetValue(lifetime)),
                arguments.GetValue(format),
                arguments.GetValue(output))));
        return list;
    }

    private static readonly string[] Lifetimes = ["singleton", "scoped", "transient"];

    public static int Run(FileInfo file, string? wiring, ListFilter filter, OutputFormat format, FileInfo? output)
    {
        if (format == OutputFormat.Json)
        {
            return Save(file, wiring, filter, output);
        }

        IReadOnlyList<SavedGraph> graphs = WiringSource.Read(file, wiring, out bool isWhole);
        CheckLifetime(graphs, filter.Lifetime);
        Result.Show(output, screen =>
        {
            foreach (SavedGraph graph in graphs)
            {
                screen.StartPart();
                screen.Write(ListText.Lines(graph, filter, screen.Width));
            }
        });
        return isWhole ? ExitStatus.Sound : ExitStatus.CannotCheck;
    }

    /// <exception cref="CannotCheckException">There is no such lifetime, not in any of the wirings.</exception>
    private static void CheckLifetime(IReadOnlyList<SavedGraph> graphs, string? lifetime)
    {
        string[] known =
        [
            .. Lifetimes.Concat(graphs.SelectMany(graph => graph.Registrations.Select(registration => registration.Lifetime))).Distinct(),
        ];
        if (lifetime is not null && !known.Contains(lifetime, StringComparer.OrdinalIgnoreCase))
        {
            throw new CannotCheckException(
                $"there is no lifetime '{lifetime}'{Words.Near(known, lifetime)}: --lifetime is {Words.Or(known)}.");
        }
    }

    private static int Save(FileInfo file, string? wiring, ListFilter filter, FileInfo? output)
    {
        if (filter != ListFilter.All)
        {
            throw new CannotCheckException("a saved graph is always complete: omit --matching and --lifetime with --format json.");
        }

        IReadOnlyList<SavedGraph> graphs = WiringSource.Read(file, wiring);
        Result.Write(
            graphs.Count == 1
                ? GraphJson.Write(graphs[0])
                : throw new CannotCheckException(
                    $"{file.Name} has several wirings, and a graph is saved for one: add --wiring NAME, with one of "
                        + $"{string.Join(", ", graphs.Select(graph => graph.Wiring))}."),
            output);
        return ExitStatus.Sound;
    }
}
