using Junctivor.Graph;

namespace Junctivor.Checks;

/// <summary>JV207: a file among the plug-ins that could not be loaded; the rest is.</summary>
internal static class PluginSkippedFaults
{
    /// <param name="graph">The graph of the rest.</param>
    /// <param name="trouble">What is wrong with the file, as a sentence.</param>
    /// <param name="file">The path of the file: relative to the folder of the program, if it is in it.</param>
    /// <param name="place">Where the folder was named.</param>
    public static Fault Of(ServiceGraph graph, string trouble, string file, SourcePlace place) => new(FaultKind.PluginSkipped)
    {
        Summary = trouble,
        Path = [new FaultStep(
            0, null, file, "plug-in", place.File ?? "", place.Line, SourcePlaceText.Show(place, FolderFor(graph, place)))],
        Fixes = [new Fix(
            "replace the file by one that is built for this program, or remove it from the folder; the program runs without its services")],
        Order = int.MaxValue,
    };

    private static string FolderFor(ServiceGraph graph, SourcePlace place) =>
        graph.SharedFolder.Length > 0 ? graph.SharedFolder : SourcePlaceText.SharedFolder([place]);
}
