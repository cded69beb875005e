using Junctivor.Graph;

namespace Junctivor.Checks;

/// <summary>JV302: something that lives in a scope was resolved where there is none.</summary>
internal static class ScopedOutsideScopeFaults
{
    /// <param name="graph">The graph.</param>
    /// <param name="node">What lives in a scope.</param>
    /// <param name="path">The way to it.</param>
    /// <param name="requestedFrom">Where it was resolved.</param>
    /// <param name="maker">The class whose constructor or factory resolved it: there a scope would end before its service is used.</param>
    public static Fault OutsideScope(
        ServiceGraph graph, Node node, IReadOnlyList<FaultStep> path, string requestedFrom, string? maker = null) =>
        new(FaultKind.ScopedOutsideScope)
        {
            Summary = path.Count > 1
            ? $"{path[0].Name} was resolved from {requestedFrom}, and requires {node.Name} ({node.Level})"
            : $"{node.Name} ({node.Level}) was resolved from {requestedFrom}",
            Path = path,
            Remarks = ["A scoped service is created once for each unit of work: a request, a message, a job."],
            Fixes = maker is null
                ? [Starting(StartCallText.ForScopeOf(graph, path.Count > 0 ? path[0].Node ?? node : node))]
                :
                [
                    new Fix($"take {(path.Count > 0 ? path[0].Name : node.Name)} as a parameter where {maker} is created, instead of "
                        + "resolving it, so that the check of the wiring covers it"),
                ],
            Candidates = [node.Name],
            Order = node.Order,
        };

    private static Fix Starting(string code) =>
        new("start a scope for the work, and resolve from it", code, Edits.StartScope(code));

    public static Fault TakesScope(ServiceGraph graph, Node node, IReadOnlyList<FaultStep> path, string requestedFrom) =>
        OutsideScope(graph, node, path, requestedFrom) with
        {
            Summary = $"{node.Name} takes its scope, but was resolved from {requestedFrom}",
        };

    public static Fault NoScope(string requestedFrom) => new(FaultKind.ScopedOutsideScope)
    {
        Summary = $"a scope was resolved from {requestedFrom}",
        Fixes = [new Fix("start a scope, and resolve from it", "await using Scope scope = container.StartScope();")],
    };
}
