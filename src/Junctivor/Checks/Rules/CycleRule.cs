using Junctivor.Graph;

namespace Junctivor.Checks;

/// <summary>
/// JV201: services that need each other in a cycle. Every step that lies on a cycle is shown in at least one;
/// so nobody mends one ring and meets the next at the next start.
/// </summary>
internal sealed class CycleRule : IRule
{
    private const int ShownInSummary = 5;
    private const int MaxCycles = 50;

    public IEnumerable<Fault> Inspect(ServiceGraph graph, IReadOnlyCollection<Node> nodes)
    {
        IReadOnlyList<IReadOnlyList<Node>> knots = StronglyConnectedComponents.Of(graph, nodes);
        return knots.Count == 0 ? [] : Find(graph, knots);
    }

    private static IEnumerable<Fault> Find(ServiceGraph graph, IReadOnlyList<IReadOnlyList<Node>> knots)
    {
        foreach (IReadOnlyList<Node> knot in knots)
        {
            foreach (IReadOnlyList<Edge> ring in Cycles(graph, [.. knot]).Take(MaxCycles))
            {
                yield return Cycle(graph, ring);
            }
        }
    }

    /// <summary>A ring that only user code closes, which resolves while it constructs.</summary>
    public static Fault AtRunTime(IReadOnlyList<FaultStep> ring) => new(FaultKind.Cycle)
    {
        Summary = $"{ring[ring.Count - 1].Name} is requested during its own construction",
        Path = ring,
        Remarks = ["The check cannot find this cycle: one of these services resolves from the container in its constructor or factory."],
        Fixes = [new Fix("resolve it after construction: take a Lazy<T>, and use its Value in the methods")],
        Candidates = [.. ring.Select(step => step.Name).Distinct()],
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

            IReadOnlyList<Edge> ring = [edge, .. WayBack(graph, knot, edge.To, edge.From)];
            shown.UnionWith(ring);
            yield return ring;
        }
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

        List<Edge> way = [];
        for (Node node = goal; node != start; node = cameBy[node].From)
        {
            way.Add(cameBy[node]);
        }

        way.Reverse();
        return way;
    }

    private static Fault Cycle(ServiceGraph graph, IReadOnlyList<Edge> ring)
    {
        Edge closing = ring.Reverse()
            .Where(edge => edge.From.Kind == NodeKind.Class && !edge.Dependency.Parameter.IsInner)
            .DefaultIfEmpty(ring[ring.Count - 1]).First();
        string way = ring.Count <= ShownInSummary
            ? string.Join(" → ", ring.Select(edge => edge.From.Name).Append(ring[0].From.Name))
            : $"{ring.Count} services, through {ring[0].From.Name} and {ring[1].From.Name}";
        return new Fault(FaultKind.Cycle)
        {
            Summary = ring.Count == 1
                ? $"{ring[0].From.Name} depends on itself"
                : ring.Count <= ShownInSummary ? $"dependency cycle {way}"
                : $"dependency cycle of {way}",
            Path = new FaultPath(graph).Chain(ring).Path,
            Fixes =
            [
                new Fix(
                    $"break the cycle in {closing.From.Name} (it must not use Value during construction); change the parameter to",
                    RegistrationText.Parameter(
                        closing.Dependency.Parameter.Mark, $"Lazy<{closing.Dependency.Parameter.Type.Name}>",
                        closing.Dependency.Parameter.Name)),
                new Fix("move what both need into a third class, and let both depend on it"),
            ],
            Candidates = [.. ring.Select(edge => edge.From.Name)],
            Order = ring.Max(edge => edge.From.Order),
        };
    }
}
