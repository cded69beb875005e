using Junctivor.Graph;

namespace Junctivor.Checks;

/// <summary>
/// JV201: services that need each other in a cycle. Every step that lies on a cycle is shown in at least one;
/// so nobody fixes one ring and meets the next at the next start.
/// </summary>
internal sealed class CycleRule : IRule
{
    /// <summary>In how many classes breaking a cycle is offered.</summary>
    private const int MostWays = 2;

    private const int ShownInSummary = 5;
    private const int MaxCycles = 50;

    public bool MayFind(ServiceGraph graph, IReadOnlyList<Node> nodes) => true;

    public IEnumerable<Fault> Inspect(ServiceGraph graph, IReadOnlyCollection<Node> nodes)
    {
        IReadOnlyList<IReadOnlyList<Node>> knots = StronglyConnectedComponents.Of(graph, nodes);
        return knots.Count == 0 ? [] : Find(graph, knots);
    }

    private static IEnumerable<Fault> Find(ServiceGraph graph, IReadOnlyList<IReadOnlyList<Node>> knots)
    {
        foreach (IReadOnlyList<Node> knot in knots)
        {
            foreach (IReadOnlyList<Edge> cycle in Cycles(graph, [.. knot]).Take(MaxCycles))
            {
                yield return Cycle(graph, cycle);
            }
        }
    }

    /// <summary>A ring that only user code closes, which resolves while it constructs.</summary>
    public static Fault AtRunTime(IReadOnlyList<FaultStep> cycle) => new(FaultKind.Cycle)
    {
        Summary = $"{cycle[cycle.Count - 1].Name} is resolved during its own construction",
        Path = cycle,
        Remarks = ["The check cannot find this cycle: one of these services resolves from the container in its constructor or factory."],
        Fixes = [new Fix("resolve it after construction: take a Lazy<T>, and use its Value in the methods")],
        Candidates = [.. cycle.Select(step => step.Name).Distinct()],
    };

    private static IEnumerable<IReadOnlyList<Edge>> Cycles(ServiceGraph graph, HashSet<Node> knot)
    {
        HashSet<Edge> shown = [];
        foreach (Edge edge in knot.OrderBy(node => node.Order).SelectMany(node => node.Edges))
        {
            if (edge.IsDeferred || !knot.Contains(edge.To) || !shown.Add(edge))
            {
                continue;
            }

            IReadOnlyList<Edge> cycle = [edge, .. WayBack(graph, knot, edge.To, edge.From)];
            shown.UnionWith(cycle);
            yield return cycle;
        }
    }

    /// <summary>A class that takes the very service that it is registered for was meant as a decorator.</summary>
    private static IEnumerable<Fix> AsDecorator(IReadOnlyList<Edge> cycle)
    {
        Node node = cycle[0].From;
        return cycle.Count == 1 && node is { Kind: NodeKind.Class, IsDecorator: false } && cycle[0].Dependency.Binding is Binding.Single
            && node.Services.Contains(cycle[0].Dependency.Parameter.Type) && !node.Implementation.Equals(cycle[0].Dependency.Parameter.Type)
            ? [new Fix(
                $"register {node.Name} as the decorator of another implementation of {cycle[0].Dependency.Parameter.Type.Name}",
                RegistrationText.Decorator(cycle[0].Dependency.Parameter.Type, node.Implementation),
                Edits.Start(node, RegistrationText.Decorator(cycle[0].Dependency.Parameter.Type, node.Implementation)))
            {
                ByHandBecause = ByHand.WhetherMeant,
            }]
            : [];
    }

    /// <summary>The shortest way from one node of a knot to another; there always is one.</summary>
    private static List<Edge> WayBack(ServiceGraph graph, HashSet<Node> knot, Node start, Node goal)
    {
        Dictionary<Node, Edge> cameBy = [];
        Queue<Node> open = new([start]);
        while (open.Count > 0 && !(goal != start && cameBy.ContainsKey(goal)))
        {
            foreach (Edge edge in open.Dequeue().Edges.Where(edge => !edge.IsDeferred && knot.Contains(edge.To)))
            {
                if (edge.To != start && !cameBy.ContainsKey(edge.To))
                {
                    cameBy.Add(edge.To, edge);
                    open.Enqueue(edge.To);
                }
            }
        }

        List<Edge> path = [];
        for (Node node = goal; node != start; node = cameBy[node].From)
        {
            path.Add(cameBy[node]);
        }

        path.Reverse();
        return path;
    }

    private static Fix Breaking(Edge edge)
    {
        Parameter parameter = edge.Dependency.Parameter;
        string lazy = RegistrationText.Parameter(parameter.Mark, $"Lazy<{parameter.Type.Name}>", parameter.Name);
        return new Fix(
            $"break the cycle in {edge.From.Name} (it must not use Value during construction); change the parameter to",
            lazy,
            edge.Dependency.Binding is Binding.Single ? Edits.Take(edge.Dependency, lazy) : []);
    }

    private static Fault Cycle(ServiceGraph graph, IReadOnlyList<Edge> cycle)
    {
        IReadOnlyList<Edge> breakable = [.. cycle.Reverse()
            .Where(edge => edge.From.Kind == NodeKind.Class && !edge.Dependency.Parameter.IsInner)
            .DefaultIfEmpty(cycle[cycle.Count - 1])
            .Take(MostWays)];
        string path = cycle.Count <= ShownInSummary
            ? string.Join(" → ", cycle.Select(edge => edge.From.Name).Append(cycle[0].From.Name))
            : $"{cycle.Count} services, through {cycle[0].From.Name} and {cycle[1].From.Name}";
        return new Fault(FaultKind.Cycle)
        {
            Summary = cycle.Count == 1
                ? $"{cycle[0].From.Name} depends on itself"
                : cycle.Count <= ShownInSummary ? $"dependency cycle {path}"
                : $"dependency cycle of {path}",
            Path = new FaultPath(graph).Chain(cycle).Path,
            Fixes =
            [
                .. AsDecorator(cycle),
                .. breakable.Select(Breaking),
                new Fix("move what both need into a third class, and let both depend on it"),
            ],
            Candidates = [.. cycle.Select(edge => edge.From.Name)],
            Order = cycle.Max(edge => edge.From.Order),
        };
    }
}
