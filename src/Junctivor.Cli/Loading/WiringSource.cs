using Junctivor.Cli.Output;
using Junctivor.Reports.Graphs;

namespace Junctivor.Cli.Loading;

/// <summary>Reads what a call names: the wirings of an assembly, or a saved graph.</summary>
internal static class WiringSource
{
    /// <summary>The graphs of an assembly, or the saved one.</summary>
    /// <exception cref="CannotCheckException">The file cannot be read, or has no such wiring.</exception>
    public static IReadOnlyList<SavedGraph> Read(FileInfo file, string? wiring) => Read(file, wiring, out _);

    /// <inheritdoc cref="Read(FileInfo, string?)"/>
    /// <param name="file">The file.</param>
    /// <param name="wiring">The name of the only wiring; null for all.</param>
    /// <param name="isWhole">Whether all could be read; a line on standard error says why one could not.</param>
    public static IReadOnlyList<SavedGraph> Read(FileInfo file, string? wiring, out bool isWhole)
    {
        isWhole = true;
        if (!IsSavedGraph(file.Name))
        {
            (IReadOnlyList<FoundWiring> found, IReadOnlyList<string> problems, _) =
                Waiting.While($"Reading {file.Name} …", () => WiringFinder.FindReadable(file, wiring));
            if (found.Count == 0)
            {
                throw new CannotCheckException(problems[0]);
            }

            WiringFinder.Complain(problems);
            isWhole = problems.Count == 0;
            return Waiting.While(
                $"Reading {file.Name} …", () => found.Select(each => SavedGraph.Of(each.Name, each.Wiring, each.EntryPoints)).ToList());
        }

        SavedGraph saved = Waiting.While($"Reading {file.Name} …", () => ReadSaved(file));
        return wiring is null || wiring == saved.Wiring
            ? [saved]
            : throw new CannotCheckException($"{file.Name} is the saved graph of '{saved.Wiring}', not of '{wiring}'.");
    }

    /// <summary>Whether a call names a saved graph, and not an assembly.</summary>
    public static bool IsSavedGraph(string name) => string.Equals(Path.GetExtension(name), ".json", StringComparison.OrdinalIgnoreCase);

    /// <summary>Exactly one graph, named as <c>FILE</c> or <c>FILE@WIRING</c>.</summary>
    /// <exception cref="CannotCheckException">The file cannot be read, or has no such wiring, or several.</exception>
    public static SavedGraph ReadOne(string name, string? wiring)
    {
        int at = File.Exists(name) ? -1 : name.LastIndexOf('@');
        FileInfo file = new(at < 0 ? name : name[..at]);
        IReadOnlyList<SavedGraph> graphs = Read(file, at < 0 ? wiring : name[(at + 1)..]);
        return graphs.Count == 1
            ? graphs[0]
            : throw new CannotCheckException(
                $"{file.Name} has several wirings: write {file}@NAME, with one of "
                    + $"{string.Join(", ", graphs.Select(graph => graph.Wiring))}.");
    }

    private static SavedGraph ReadSaved(FileInfo file)
    {
        try
        {
            return GraphJson.Read(File.ReadAllText(file.FullName));
        }
        catch (SavedGraphException problem)
        {
            throw new CannotCheckException($"{file.Name} {problem.Message}");
        }
        catch (Exception failure) when (failure is IOException or UnauthorizedAccessException)
        {
            throw new CannotCheckException(
                $"{file} does not exist, or cannot be read: save a graph with 'junctivor list --format json --output {file.Name}'.");
        }
    }
}
