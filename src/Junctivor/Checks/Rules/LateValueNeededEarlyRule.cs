using Junctivor.Graph;

namespace Junctivor.Checks;

/// <summary>JV402: a value that comes later is needed at once.</summary>
internal sealed class LateValueNeededEarlyRule : IRule
{
    public bool MayFind(ServiceGraph graph, IReadOnlyList<Node> nodes) => graph.HasLateValues;

    public IEnumerable<Fault> Inspect(ServiceGraph graph, IReadOnlyCollection<Node> nodes) =>
        from node in nodes
        where Array.Exists(
            node.Bindings!, binding => binding is not Binding.Single single || single.Node.Has(RegistrationFlags.SuppliedLater))
        from edge in node.Edges
        where edge.To.Has(RegistrationFlags.SuppliedLater) && !edge.IsDeferred
        select new Fault(FaultKind.LateValueNeededEarly)
        {
            Summary = $"{node.Name} requires {edge.To.Name} at construction, but it is supplied only after the container is built",
            Path = new FaultPath(graph).Chain([edge]).Path,
            Fixes = [Deferring(edge)],
            Candidates = [node.Name, edge.To.Name],
            Order = node.Order,
        };

    private static Fix Deferring(Edge edge)
    {
        string lazy = RegistrationText.Parameter(
            edge.Dependency.Parameter.Mark, $"Lazy<{edge.To.Name}>", edge.Dependency.Parameter.Name);
        return new Fix(
            "use its Value after construction only; change the parameter to",
            lazy,
            edge.Dependency.Binding is Binding.Single ? Edits.Take(edge.Dependency, lazy) : []);
    }
}
