using Junctivor.Graph;

namespace Junctivor.Checks;

/// <summary>JV402: a value that comes later is needed at once.</summary>
internal sealed class LateValueRule : IRule
{
    public IEnumerable<Fault> Inspect(ServiceGraph graph, IReadOnlyCollection<Node> nodes) =>
        from node in nodes
        where Array.Exists(node.Bindings!, supply => supply is not Binding.Single { Node.Options.IsSuppliedLater: false })
        from edge in node.Edges
        where edge.To.Options.IsSuppliedLater && !edge.IsDeferred
        select new Fault
        {
            Kind = FaultKind.LateValueNeededEarly,
            Summary = $"{node.Name} takes {edge.To.Name} directly, and it is handed over only after the container is built",
            Path = new FaultPath(graph).Chain([edge]).Path,
            Fixes = [new Fix("touch its Value only when work is done, and take", RegistrationText.Parameter(edge.Dependency.Parameter.Mark, $"Lazy<{edge.To.Name}>", edge.Dependency.Parameter.Name))],
            Candidates = [node.Name, edge.To.Name],
            Order = node.Order,
        };
}
