using Junctivor.Graph;

namespace Junctivor.Checks;

/// <summary>
/// JV305, as the check sees it: a fresh scope is started where no scope of a level is around it, and reaches something that lives in one.
/// What lives as long as the container, or as a scope of some level, is certain to start it there.
/// </summary>
internal sealed class LevelOutOfPlaceInFreshScopeRule : IRule
{
    public bool MayFind(ServiceGraph graph, IReadOnlyList<Node> nodes) => graph.HasUsersLevels;

    public IEnumerable<Fault> Inspect(ServiceGraph graph, IReadOnlyCollection<Node> nodes) => graph.HasUsersLevels
        ? nodes.Where(node => node.Level == Level.Singleton || node.Level.IsUsersOwn).SelectMany(holder => Find(graph, holder))
        : [];

    private static IEnumerable<Fault> Find(ServiceGraph graph, Node holder)
    {
        Dictionary<(Node Node, bool IsFresh), (Dependency Need, bool WasFresh)> cameBy = [];
        Queue<(Node Node, bool IsFresh)> open = new([(holder, false)]);
        HashSet<Node> told = [];
        while (open.Count > 0)
        {
            (Node node, bool isFresh) = open.Dequeue();
            foreach (Dependency dependency in node.Dependencies)
            {
                foreach ((Node next, bool isNextFresh) in Reached(dependency.Binding, isFresh))
                {
                    if (cameBy.ContainsKey((next, isNextFresh)))
                    {
                        continue;
                    }

                    cameBy.Add((next, isNextFresh), (dependency, isFresh));
                    if (next.Level.IsTransient || (isNextFresh && next.Level == Level.Scoped))
                    {
                        open.Enqueue((next, isNextFresh));
                    }
                    else if (isNextFresh && IsAbsentIn(holder.Level, next.Level) && told.Add(next))
                    {
                        yield return Found(graph, holder, next, WayTo(next, holder, cameBy));
                    }
                }
            }
        }
    }

    /// <summary>Whether no scope of a level is around what lives in another one.</summary>
    private static bool IsAbsentIn(Level home, Level wanted) =>
        wanted.IsUsersOwn && (wanted.IsShorterThan(home) || wanted.IsApartFrom(home));

    private static IEnumerable<(Node Node, bool IsFresh)> Reached(Binding binding, bool isFresh) => binding switch
    {
        Binding.Single single => [(single.Node, isFresh)],
        Binding.Many many => many.Elements.SelectMany(element => Reached(element, isFresh)),
        Binding.Keyed keyed => keyed.Elements.SelectMany(element => Reached(element.Supply, isFresh)),
        Binding.Deferred deferred => Reached(deferred.Inner, isFresh || deferred.Form.StartsScope),
        _ => [],
    };

    private static List<(Dependency Need, Node Answer)> WayTo(
        Node goal, Node holder, Dictionary<(Node Node, bool IsFresh), (Dependency Need, bool WasFresh)> cameBy)
    {
        List<(Dependency, Node)> path = [];
        (Node node, bool isFresh) = (goal, true);
        do
        {
            (Dependency dependency, bool wasFresh) = cameBy[(node, isFresh)];
            path.Add((dependency, node));
            (node, isFresh) = (dependency.Consumer, wasFresh);
        }
        while (node != holder);
        path.Reverse();
        return path;
    }

    private static Fault Found(ServiceGraph graph, Node holder, Node reached, List<(Dependency Need, Node Answer)> path)
    {
        FaultPath steps = new FaultPath(graph).Node(holder);
        int depth = 0;
        foreach ((Dependency dependency, Node answer) in path)
        {
            steps.Dependency(dependency, answer, ++depth);
        }

        Parameter first = path[0].Need.Parameter;
        return new Fault(FaultKind.LevelOutOfPlace)
        {
            Summary =
                $"{holder.Name} ({holder.Level}) starts a fresh scope that requires {reached.Name}, which lives in a scope of the level "
                    + $"{reached.Level}",
            Path = steps.Path,
            Remarks = [$"A FreshScope starts a default scope from the scope of its holder, which is not inside a scope of the level "
                + $"{reached.Level}."],
            Fixes =
            [
                new Fix($"start a scope of the level {reached.Level}, and resolve {reached.Name} from it; change the parameter to",
                    RegistrationText.Parameter(null, "Container", first.Name)),
                new Fix(
                    $"make {reached.Name} scoped; each scope then creates its own",
                    RegistrationText.Again(reached, Level.Scoped),
                    Edits.Lifetime(reached, Level.Scoped))
                {
                    ChangesBehavior = true,
                },
            ],
            Candidates = [holder.Name, reached.Name],
            Order = holder.Order,
        };
    }
}
