using System.CommandLine;
using Junctivor.Cli.Isolation;
using Junctivor.Cli.Loading;
using Junctivor.Cli.Output;
using Junctivor.Reports.Drawing;
using Junctivor.Reports.Graphs;
using Junctivor.Reports.Text;

namespace Junctivor.Cli.Commands;

/// <summary>junctivor draw: a wiring as a picture, or in a language for pictures.</summary>
internal static class DrawCommand
{
    /// <summary>The command with its arguments and options.</summary>
    /// <param name="process">Runs code of an assembly.</param>
    public static Command Create(AssemblyProcess process)
    {
        Argument<FileInfo> file = CommonOptions.File();
        Option<string?> wiring = CommonOptions.Wiring("Draw the wiring of this name.");
        Option<string?> from = new("--from")
        {
            Description = "Draw a service and all its direct and indirect dependencies.",
            HelpName = "SERVICE"
        };
        Option<string?> around = new("--around")
        {
            Description = "Draw a service, what it requires, and what requires it.",
            HelpName = "SERVICE"
        };
        Option<string[]> path = new("--path")
        {
            Description = "Draw all paths from one service to another.",
            HelpName = "SERVICE SERVICE",
            Arity = new ArgumentArity(2, 2),
            AllowMultipleArgumentsPerToken = true,
        };
        Option<DrawFormat> format = CommonOptions.Format<DrawFormat>(
            "html (default) writes a page named after the wiring. svg needs Graphviz. Other formats: dot, mermaid, json.");
        Option<FileInfo?> output = CommonOptions.Output();
        Option<double> limit = CommonOptions.Limit();
        Command draw = new("draw", "Draws a wiring: dependencies, lifetimes and faults.")
        {
            file, wiring, from, around, path, format, output, limit,
        };
        draw.SetAction(arguments => process.Run([$"{arguments.GetRequiredValue(file)}"], arguments.GetValue(limit), () =>
            Run(
                arguments.GetRequiredValue(file),
                arguments.GetValue(wiring),
                new DrawnPart(arguments.GetValue(from), arguments.GetValue(around), arguments.GetValue(path) ?? []),
                arguments.GetValue(format),
                arguments.GetValue(output))));
        return draw;
    }

    public static int Run(FileInfo file, string? wiring, DrawnPart part, DrawFormat format, FileInfo? output)
    {
        if (part.Count > 1)
        {
            throw new CannotCheckException("--from, --around and --path each select the part to draw: use only one of them.");
        }

        if (WiringSource.IsSavedGraph(file.Name) && Timelines.TryRead(file) is { } timeline)
        {
            if (part.Count > 0 || format != DrawFormat.Html || wiring is not null)
            {
                throw new CannotCheckException(
                    $"{file.Name} is a timeline, which is drawn whole and as a page: leave out --wiring, --from, --around, --path and "
                        + "--format.");
            }

            Result.WritePage(PageText.Write(timeline.Drawing, timeline.Recorded), timeline.Drawing.Wiring, output);
            return ExitStatus.Sound;
        }

        (SavedGraph graph, DrawnGraph whole) = Read(file, wiring);
        DrawnGraph drawing = PartOf(graph, whole, part, file);
        if (format == DrawFormat.Html)
        {
            Result.WritePage(PageText.Write(drawing), drawing.Wiring, output);
        }
        else
        {
            Result.Write(TextOf(drawing, format), output);
        }

        return ExitStatus.Sound;
    }

    private static string TextOf(DrawnGraph drawing, DrawFormat format) => format switch
    {
        DrawFormat.Dot => DotText.Write(drawing).TrimEnd(),
        DrawFormat.Mermaid => MermaidText.Write(drawing).TrimEnd(),
        DrawFormat.Json => DrawingJson.Write(drawing),
        _ => Waiting.While("Laying out …", () => Graphviz.ToSvg(DotText.Write(drawing))).TrimEnd(),
    };

    private static (SavedGraph Graph, DrawnGraph Drawing) Read(FileInfo file, string? wiring)
    {
        if (WiringSource.IsSavedGraph(file.Name))
        {
            SavedGraph saved = WiringSource.ReadOne(file.ToString(), wiring);
            return (saved, GraphDrawer.Draw(saved));
        }

        IReadOnlyList<FoundWiring> found = Waiting.While($"Reading {file.Name} …", () => WiringFinder.Find(file, wiring));
        return found is [var only]
            ? GraphDrawer.Draw(only.Name, only.Wiring, only.EntryPoints, new BuildOptions())
            : throw new CannotCheckException(
                $"{file.Name} has several wirings, and one is drawn: add --wiring NAME, with one of "
                    + $"{string.Join(", ", found.Select(each => each.Name))}.");
    }

    private static DrawnGraph PartOf(SavedGraph graph, DrawnGraph whole, DrawnPart part, FileInfo file)
    {
        if (part.From is { } root)
        {
            return whole.From(Find(graph, root, file));
        }

        if (part.Around is { } middle)
        {
            return whole.Around(Find(graph, middle, file));
        }

        if (part.Path is not [var from, var to])
        {
            return whole;
        }

        DrawnGraph ways = whole.Between(Find(graph, from, file), Find(graph, to, file));
        return ways.Nodes.Count > 0
            ? ways
            : throw new CannotCheckException($"{from} does not depend on {to}, not even indirectly: try '--path {to} {from}'.");
    }

    private static IReadOnlyList<SavedService> Find(SavedGraph graph, string service, FileInfo file)
    {
        IReadOnlyList<SavedService> found = ServiceSearch.Find(graph, service);
        return found.Count > 0
            ? found
            : throw new CannotCheckException(
                $"{file.Name} has no service '{service}'{ServiceSearch.Near([graph], service)}: 'junctivor list {file}' lists all "
                    + "services.");
    }
}
