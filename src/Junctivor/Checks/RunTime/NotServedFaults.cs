using Junctivor.Graph;

namespace Junctivor.Checks;

/// <summary>JV110: what a framework cannot serve, as its adapter found out.</summary>
internal static class NotServedFaults
{
    /// <param name="graph">The graph.</param>
    /// <param name="entryPoint">The node of the entry point.</param>
    /// <param name="summary">What is wrong.</param>
    /// <param name="fixes">The ways to fix it.</param>
    public static Fault Of(ServiceGraph graph, Node entryPoint, string summary, IEnumerable<string> fixes) => new(FaultKind.NotServed)
    {
        Summary = summary,
        Path = new FaultPath(graph).Node(entryPoint).Path,
        Fixes = [.. fixes.Select(fix => new Fix(fix))],
        Candidates = [entryPoint.Name],
        Order = int.MaxValue,
    };
}
