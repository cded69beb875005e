using Junctivor.Graph;

namespace Junctivor.Checks;

/// <summary>JV104: a registration for a service that what it makes does not implement.</summary>
internal sealed class DoesNotServeRule : IRule
{
    public IEnumerable<Fault> Inspect(ServiceGraph graph, IReadOnlyCollection<Node> nodes) =>
        from node in nodes
        where node.Kind != NodeKind.Class || node.Made.IsOpen == node.IsOpen || node.IsOpen
        from service in node.Services
        where !node.Made.Serves(service)
        select Found(graph, node, service);

    private static Fault Found(ServiceGraph graph, Node node, TypeRef service)
    {
        IReadOnlyList<Node> implementing = [.. graph.Written.Where(other => other != node && other.Made.Serves(service))];
        string verb = service.IsInterface ? "implement" : "derive from";
        return new Fault
        {
            Code = "JV104",
            Name = "does-not-serve",
            Summary = $"{node.Made.Name} is registered for {service.Name}, and does not {verb} it",
            Path = new Steps(graph).Node(node).Path,
            Remarks = [.. implementing.Select(other => $"{other.Made.Name} does, registered at {PlaceNames.Show(other.Place, graph.SharedFolder)}.")],
            Cures = [$"let {node.Made.Name} {verb} {service.Name}", $"take {service.Name} away from this registration"],
            Candidates = [node.Made.Name, service.Name],
            Order = node.Order,
        };
    }
}
