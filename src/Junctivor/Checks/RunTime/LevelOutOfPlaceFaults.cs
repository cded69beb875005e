using Junctivor.Graph;

namespace Junctivor.Checks;

/// <summary>JV305, as it shows itself at run time: a level is not there, or entered where it cannot be.</summary>
internal static class LevelOutOfPlaceFaults
{
    public static Fault OutsideLevel(Node node, IReadOnlyList<FaultStep> path, string requestedFrom) => Found(
        path.Count > 1
            ? $"{path[0].Name} was resolved from {requestedFrom}, and requires {node.Name}, which lives in a scope of the level "
                + $"{node.Level}"
            : $"{node.Name} lives in a scope of the level {node.Level}, but was resolved from {requestedFrom}",
        path,
        new Fix("start a scope of that level, and resolve from it",
            StartCallText.ForLevel(node.Level))) with
    { Candidates = [node.Name], Order = node.Order };

    public static Fault WrongPlace(Level level, string place) => Found(
        $"a scope of the level {level} was started in {place}",
        [],
        level.Within is null
            ? new Fix(
                $"start the {level} from the container",
                StartCallText.ForLevel(level))
            : new Fix(
                $"start the {level} from a scope of the level {level.Within}",
                StartCallText.ForInnerLevel(level)));

    private static Fault Found(string summary, IReadOnlyList<FaultStep> path, Fix fix) => new(FaultKind.LevelOutOfPlace)
    {
        Summary = summary,
        Path = path,
        Fixes = [fix],
    };
}
