using Junctivor.Graph;

namespace Junctivor.Checks;

/// <summary>JV403: a container was disposed, and the warm-up work of what it created was never run.</summary>
internal static class NotWarmedUpFaults
{
    /// <param name="graph">The graph.</param>
    /// <param name="cold">What was created and not warmed up, in the order written; at least one.</param>
    public static Fault Of(ServiceGraph graph, IReadOnlyList<Node> cold)
    {
        string names = string.Join(" and ", cold.Select(node => node.Name));
        return new Fault(FaultKind.NotWarmedUp)
        {
            Summary = $"{names} {(cold.Count == 1 ? "was" : "were")} used, but the warm-up work never ran",
            Path = cold.Aggregate(new FaultPath(graph), (steps, node) => steps.Node(node)).Path,
            Remarks = ["WarmUp only registers work. WarmUpAsync runs it, and RunWiredAsync calls WarmUpAsync."],
            Fixes = [new Fix("warm up the container before anything is resolved, and await it", "await container.WarmUpAsync();")],
            Candidates = [.. cold.Select(node => node.Name)],
            Order = cold[0].Order,
        };
    }
}
