using Junctivor.Graph;

namespace Junctivor.Checks;

/// <summary>
/// JV507: a decorated service, used without its decorator. Somebody takes the class itself, which is registered for the service too; or an
/// open decorator cannot be closed for one of the services, and leaves that as it is.
/// </summary>
internal sealed class UndecoratedRule : IRule
{
    public bool MayFind(ServiceGraph graph, IReadOnlyList<Node> nodes) => graph.Effective.Decorators.Count > 0;

    public IEnumerable<Fault> Inspect(ServiceGraph graph, IReadOnlyCollection<Node> nodes) => graph.Effective.Decorators.Count == 0
        ? []
        : TakenBare(graph, nodes).Concat(NotClosed(graph, nodes));

    private static IEnumerable<Fault> TakenBare(ServiceGraph graph, IReadOnlyCollection<Node> nodes) =>
        from consumer in nodes
        where consumer is { Inner: null, Kind: not NodeKind.Alias, Bindings: not null }
        from dependency in consumer.Dependencies
        where dependency.Binding is Binding.Single { Node: { Kind: NodeKind.Class, Inner: null, Services.Length: > 1 } }
        let taken = ((Binding.Single)dependency.Binding).Node
        where taken.Implementation.Equals(dependency.Parameter.Type)
        let decorated = taken.Services.FirstOrDefault(service => OutermostOf(graph, taken, service) != taken)
        where decorated is not null
        select Bare(graph, dependency, taken, decorated);

    private static Node OutermostOf(ServiceGraph graph, Node node, TypeRef service) =>
        graph.OutermostOf(node, new ServiceId(service, node.Mark));

    private static Fault Bare(ServiceGraph graph, Dependency dependency, Node taken, TypeRef decorated)
    {
        Node consumer = dependency.Consumer;
        Node decorator = OutermostOf(graph, taken, decorated);
        string parameter = RegistrationText.Parameter(taken.Mark, decorated.Name, dependency.Parameter.Name);
        string accept = RegistrationText.Accept(FaultKind.Undecorated, $"{consumer.Name} needs {taken.Name} itself.");
        return new Fault(FaultKind.Undecorated)
        {
            Summary = $"{consumer.Name} takes {taken.Name} without {decorator.Name}, which decorates its service {decorated.Name}",
            Path = new FaultPath(graph).Node(consumer).Dependency(dependency, taken, 1).Path,
            Remarks = ["A decorator wraps only the service, not the class that implements it."],
            Fixes =
            [
                new Fix("take the service", parameter, Edits.Take(dependency, parameter)) { ByHandBecause = ByHand.WhetherMeant },
                new Fix("if the class itself is meant, add to the registration of the consumer", accept, Edits.Append(consumer, accept))
                {
                    ByHandBecause = ByHand.WhetherMeant,
                },
            ],
            Candidates = [consumer.Name, taken.Name, decorator.Name],
            Order = consumer.Order,
        };
    }

    private static IEnumerable<Fault> NotClosed(ServiceGraph graph, IReadOnlyCollection<Node> nodes) =>
        from decorator in graph.Effective.Decorators
        where decorator.IsOpen
        from node in nodes.Concat(graph.Nodes.Where(IsClosing))
        where !node.IsDecorator && node.Kind != NodeKind.Alias && (decorator.Mark is null || decorator.Mark == node.Mark)
        from service in node.Services
        where !service.IsOpen && service.IsClosingOf(decorator.Services[0]) && !IsAround(graph, decorator, node, service)
        select Unclosed(graph, decorator, node, service);

    /// <summary>Whether a node is an open registration, closed for somebody.</summary>
    private static bool IsClosing(Node node) => node is { Inner: null, IsRegistration: false, Registration: { IsOpen: true, IsDecorator: false } };

    private static bool IsAround(ServiceGraph graph, Node decorator, Node node, TypeRef service)
    {
        for (Node? each = OutermostOf(graph, node, service); each is not null; each = each.Inner)
        {
            if (each.Registration == decorator)
            {
                return true;
            }
        }

        return false;
    }

    private static Fault Unclosed(ServiceGraph graph, Node decorator, Node node, TypeRef service)
    {
        ClosingObstacle? obstacle = graph.ObstacleFor(decorator, service);
        if (obstacle is { Unbuilt: { } closed })
        {
            return Unbuilt(graph, decorator, node, service, obstacle.Reason, closed);
        }

        string accept = RegistrationText.Accept(FaultKind.Undecorated, $"{service.Name} needs no decorator.");
        return new Fault(FaultKind.Undecorated)
        {
            Summary = $"{decorator.Name} decorates {decorator.Services[0].Name}, but not {service.Name}",
            Path = new FaultPath(graph).Node(decorator).Node(node).Path,
            Remarks = obstacle is null ? ["It cannot be closed over these type arguments."] : [obstacle.Reason],
            Fixes =
            [
                .. obstacle?.Advice is { } advice
                    ? [new Fix(
                        advice, null, obstacle is { Argument: { } argument, Missed: { } missed } ? Edits.Implement(argument, missed) : [])
                    {
                        ByHandBecause = ByHand.WhetherMeant,
                    }]
                    : Array.Empty<Fix>(),
                new Fix("if that is intended, add to the registration of the decorator", accept, Edits.Append(decorator, accept))
                {
                    ByHandBecause = ByHand.WhetherMeant,
                },
            ],
            Candidates = [decorator.Name, node.Name],
            Order = decorator.Order,
        };
    }

    /// <summary>It would decorate the service elsewhere, so that leaving it out here is no choice of the user.</summary>
    private static Fault Unbuilt(ServiceGraph graph, Node decorator, Node node, TypeRef service, string reason, TypeRef closed) =>
        new(FaultKind.GenericConstraint)
        {
            Summary = $"{decorator.Name} decorates {service.Name}, but cannot be closed over its type arguments",
            Path = new FaultPath(graph).Node(decorator).Node(node).Path,
            Remarks = [reason],
            Fixes =
            [
                new Fix(
                    "register the closed decorator, which compiles it into the program", $"Decorator.Of<{service.Name}, {closed.Name}>()"),
            ],
            Candidates = [decorator.Name, node.Name],
            Order = decorator.Order,
        };
}
