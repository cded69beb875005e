using Junctivor.Reports.Comparing;
using Junctivor.Reports.Graphs;
using Junctivor.Reports.Text;

namespace Junctivor.Testing;

/// <summary>A graph that is kept beside the tests.</summary>
/// <param name="path">The file.</param>
internal sealed class GraphFile(string path)
{
    private const int Width = 120;

    private string Name => Path.GetFileNameWithoutExtension(path);

    private string NewPath => Path.ChangeExtension(path, $".new{Path.GetExtension(path)}");

    /// <exception cref="WiringTestException">The wiring means something else, or there was no file.</exception>
    public void MustHave(Wiring wiring)
    {
        SavedGraph now = SavedGraph.Of(Name, wiring);
        if (!File.Exists(path))
        {
            Directory.CreateDirectory(Path.GetDirectoryName(path)!);
            File.WriteAllText(path, GraphJson.Write(now));
            throw new WiringTestException(
                $"There was no {path}, so it was written. Read it, and commit it: the next run compares with it.");
        }

        IReadOnlyList<GraphChange> changes = GraphComparison.Between(Read(), now);
        if (changes.Count == 0)
        {
            File.Delete(NewPath);
            return;
        }

        File.WriteAllText(NewPath, GraphJson.Write(now));
        string differences = string.Join('\n', CompareText.Lines(Path.GetFileName(path), "the wiring", changes, Width)
            .Select(line => string.Concat(line.Select(piece => piece.Text))));
        throw new WiringTestException(
            $"{differences}\n\nIf this is intended, replace {Path.GetFileName(path)} with {Path.GetFileName(NewPath)}, which is beside "
            + "it.");
    }

    private SavedGraph Read()
    {
        try
        {
            return GraphJson.Read(File.ReadAllText(path));
        }
        catch (SavedGraphException failure)
        {
            throw new WiringTestException($"{path} is no saved graph: {failure.Message} Delete it, and the next run writes it.");
        }
    }
}
