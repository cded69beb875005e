using Junctivor.Graph;

namespace Junctivor.Checks;

/// <summary>JV402: a value that comes later is needed at once.</summary>
internal sealed class LateValueRule : IRule
{
    public IEnumerable<Fault> Inspect(ServiceGraph graph, IReadOnlyCollection<Node> nodes) =>
        from node in nodes
        where Array.Exists(node.Supplies!, supply => supply is not Supply.Single { Node.Endings.IsLate: false })
        from edge in node.Edges
        where edge.To.Endings.IsLate && !edge.IsDeferred
        select new Fault
        {
            Kind = FaultKind.LateValueNeededEarly,
            Summary = $"{node.Name} takes {edge.To.Name} directly, and it is handed over only after the container is built",
            Path = new Steps(graph).Chain([edge]).Path,
            Cures = [new Cure("touch its Value only when work is done, and take", RegistrationText.Parameter(edge.Need.Parameter.Mark, $"Lazy<{edge.To.Name}>", edge.Need.Parameter.Name))],
            Candidates = [node.Name, edge.To.Name],
            Order = node.Order,
        };
}
