using Junctivor.Cli.Loading;
using Junctivor.Cli.Output;
using Junctivor.Reports.Drawing;
using Junctivor.Reports.Graphs;
using Junctivor.Reports.Text;

namespace Junctivor.Cli.Commands;

/// <summary>junctivor draw: a wiring as a picture, or in a language for pictures.</summary>
internal static class DrawCommand
{
    public static int Run(FileInfo file, string? wiring, DrawnPart part, DrawFormat format, FileInfo? output)
    {
        if (part.Count > 1)
        {
            throw new CannotCheckException("--from, --around and --path each say which part to draw: use one of them.");
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
