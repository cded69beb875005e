using Junctivor.Graph;

namespace Junctivor.Checks;

/// <summary>JV102, where a class or something that it names cannot be loaded at all.</summary>
internal static class NotConstructibleTypeFaults
{
    /// <param name="graph">The graph of the rest.</param>
    /// <param name="name">How messages call what was registered.</param>
    /// <param name="lifetime">Its lifetime.</param>
    /// <param name="place">Where it was registered.</param>
    /// <param name="reason">What the runtime says, as a sentence.</param>
    public static Fault Of(ServiceGraph graph, string name, string lifetime, SourcePlace place, string reason) =>
        new(FaultKind.NotConstructible)
        {
            Summary = $"{name} cannot be loaded",
            Path = [new FaultStep(0, null, name, lifetime, place.File ?? "", place.Line, SourcePlaceText.Show(place, graph.SharedFolder))],
            Remarks = [reason],
            Fixes = [new Fix(
                $"build {name} and its references against the same versions, and copy all their files to the program's folder")],
            Candidates = [name],
            Order = int.MaxValue,
        };
}
