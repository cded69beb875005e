using Junctivor.Graph;

namespace Junctivor.Checks;

/// <summary>JV302: something that lives in a scope was asked for where there is none.</summary>
internal static class ScopeFaults
{
    public static Fault OutsideScope(ServiceGraph graph, Node node, IReadOnlyList<FaultStep> path, string askedIn) => new()
    {
        Kind = FaultKind.ScopedOutsideScope,
        Summary = path.Count > 1
            ? $"{path[0].Name} was asked for in {askedIn}, and needs {node.Name} ({node.Level})"
            : $"{node.Name} ({node.Level}) was asked for in {askedIn}",
        Path = path,
        Remarks = ["A scoped service is made once for each unit of work: a request, a message, a job."],
        Fixes = [new Fix("start a scope for the work, and ask there", StartCallText.ForScopeOf(graph, path.Count > 0 ? path[0].Node ?? node : node))],
        Candidates = [node.Name],
        Order = node.Order,
    };

    public static Fault TakesScope(ServiceGraph graph, Node node, IReadOnlyList<FaultStep> path, string askedIn) => OutsideScope(graph, node, path, askedIn) with
    {
        Summary = $"{node.Name} takes the scope that it is made in, and was asked for in {askedIn}",
    };

    public static Fault NoScope(string askedIn) => new()
    {
        Kind = FaultKind.ScopedOutsideScope,
        Summary = $"a scope was asked for in {askedIn}",
        Fixes = [new Fix("start a scope, and ask there", "await using Scope scope = container.StartScope();")],
    };
}
