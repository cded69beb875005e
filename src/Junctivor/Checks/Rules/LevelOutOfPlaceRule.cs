using Junctivor.Graph;

namespace Junctivor.Checks;

/// <summary>JV305, as the check sees it: something needs two levels of which neither is around the other.</summary>
internal sealed class LevelOutOfPlaceRule : IRule
{
    public bool MayFind(ServiceGraph graph, IReadOnlyList<Node> nodes) => graph.HasUsersLevels;

    public IEnumerable<Fault> Inspect(ServiceGraph graph, IReadOnlyCollection<Node> nodes) =>
        graph.HasUsersLevels ? Find(graph, nodes) : [];

    private static IEnumerable<Fault> Find(ServiceGraph graph, IReadOnlyCollection<Node> nodes)
    {
        IReadOnlyList<Level> levels = [.. graph.Nodes.Select(node => node.Level).Distinct()];
        if (!levels.Any(level => levels.Any(level.IsApartFrom)))
        {
            yield break;
        }

        foreach (Node node in nodes.Where(node => node.Kind != NodeKind.Alias))
        {
            IReadOnlyList<IReadOnlyList<Edge>> paths = [.. DependencyPaths.From(node)
                .Where(path => path[path.Count - 1].To.Level.IsUsersOwn)];
            if (FirstApart(node, paths) is { } apart)
            {
                yield return Found(
                    graph, node, apart.One, apart.Other,
                    [.. paths.Where(path => path[path.Count - 1].To.Level == apart.One).Take(1), apart.Way]);
            }
        }
    }

    private static (Level One, Level Other, IReadOnlyList<Edge> Way)? FirstApart(Node node, IReadOnlyList<IReadOnlyList<Edge>> paths)
    {
        IReadOnlyList<Level> levels = [.. paths.Select(path => path[path.Count - 1].To.Level)
            .Prepend(node.Level)
            .Where(level => level.IsUsersOwn).Distinct()];
        foreach (IReadOnlyList<Edge> path in paths)
        {
            Level held = path[path.Count - 1].To.Level;
            if (levels.FirstOrDefault(level => level.IsApartFrom(held)) is { } other)
            {
                return (other, held, path);
            }
        }

        return null;
    }

    private static Fault Found(ServiceGraph graph, Node node, Level one, Level other, IReadOnlyList<IReadOnlyList<Edge>> paths) =>
        new(FaultKind.LevelOutOfPlace)
        {
            Summary = $"{node.Name} requires the levels {one} and {other}, but neither is within the other",
            Path = new FaultPath(graph).Tree(paths).Path,
            Remarks = ["No scope is inside both, so it can never be resolved."],
            Fixes =
        [
            Nested(other, one),
            Nested(one, other),
            new Fix($"split {node.Name} into a part for the level {one} and a part for the level {other}"),
        ],
            Candidates = [node.Name],
            Order = node.Order,
        };

    private static Fix Nested(Level inner, Level outer) => new(
        $"if a scope of {inner} is started from a scope of {outer}, declare {inner} within {outer}",
        $"new ScopeLevel(\"{inner}\", within: {RegistrationText.Start(outer)})",
        Edits.Nest(inner, outer))
    {
        ByHandBecause = ByHand.WhichIsMeant,
    };
}
