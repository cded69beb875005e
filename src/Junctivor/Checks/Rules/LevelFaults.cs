using Junctivor.Graph;

namespace Junctivor.Checks;

/// <summary>JV305, as it shows itself at run time: a level is not there, or entered where it cannot be.</summary>
internal static class LevelFaults
{
    public static Fault OutsideLevel(Node node, IReadOnlyList<FaultStep> path, string askedIn) => Found(
        path.Count > 1
            ? $"{path[0].Name} was asked for in {askedIn}, and needs {node.Name}, which lives in a scope of the level {node.Level}"
            : $"{node.Name} lives in a scope of the level {node.Level}, and was asked for in {askedIn}",
        path,
        $"start a scope of that level around it: container.StartScope(…), with the ScopeLevel \"{node.Level}\"") with
    { Candidates = [node.Name], Order = node.Order };

    public static Fault WrongPlace(Level level, string place) => Found(
        $"a scope of the level {level} was started in {place}",
        [],
        level.Within is null ? $"start the {level} from the container" : $"start the {level} from a scope of the level {level.Within}");

    private static Fault Found(string summary, IReadOnlyList<FaultStep> path, string cure) => new()
    {
        Code = "JV305",
        Name = "level-out-of-place",
        Summary = summary,
        Path = path,
        Cures = [cure],
    };
}
