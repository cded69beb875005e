using Junctivor.Graph;

namespace Junctivor.Checks;

/// <summary>JV104: a registration for a service that what it creates does not implement.</summary>
internal sealed class DoesNotImplementRule : NodeRule
{
    private const int MostShown = 3;

    protected override bool Concerns(Node node) => IsClosedAsWritten(node) && !ServesAll(node);

    private static bool IsClosedAsWritten(Node node) =>
        node.Kind != NodeKind.Class || node.Implementation.IsOpen == node.IsOpen || node.IsOpen;

    private static bool ServesAll(Node node)
    {
        foreach (TypeRef service in node.Services)
        {
            if (!node.Implementation.Serves(service))
            {
                return false;
            }
        }

        return true;
    }

    public override IEnumerable<Fault> Inspect(ServiceGraph graph, IReadOnlyCollection<Node> nodes) =>
        from node in nodes
        where IsClosedAsWritten(node)
        from service in node.Services
        where !node.Implementation.Serves(service)
        select Found(graph, node, service);

    /// <summary>Whether the class stands where the service belongs, and the other way round.</summary>
    public static bool IsSwapped(Node node) =>
        node is { Kind: NodeKind.Class, Services: [{ IsInterface: false, IsAbstract: false } service], Implementation: var created }
        && (created.IsInterface || created.IsAbstract)
        && service.Serves(created);

    private static Fault Swapped(ServiceGraph graph, Node node)
    {
        (TypeRef service, TypeRef created) = (node.Implementation, node.Services[0]);
        string registration = node.IsDecorator
            ? RegistrationText.Decorator(service, created)
            : RegistrationText.OfClass(node.Level, service, created);
        return new Fault(FaultKind.DoesNotImplement)
        {
            Summary = $"{created.Name} and {service.Name} are swapped: the service comes first, then the class",
            Path = new FaultPath(graph).Node(node).Path,
            Fixes = [new Fix("write", registration, Edits.Start(node, registration))],
            Candidates = [created.Name, service.Name],
            Order = node.Order,
        };
    }

    private static Fault Found(ServiceGraph graph, Node node, TypeRef service)
    {
        if (IsSwapped(node))
        {
            return Swapped(graph, node);
        }

        IReadOnlyList<Node> implementing = [.. graph.Index.AbleToServe(service).Where(other => other != node).Take(MostShown)];
        IReadOnlyList<TypeRef> unregistered = implementing.Count > 0 ? [] : [.. graph.Implementing(service).Take(MostShown)];
        string verb = service.IsInterface ? "implement" : "derive from";
        return new Fault(FaultKind.DoesNotImplement)
        {
            Summary = $"{node.Implementation.Name} is registered for {service.Name}, but does not {verb} it",
            Path = new FaultPath(graph).Node(node).Path,
            Remarks = [.. implementing.Select(
                other => $"{other.Implementation.Name} does, and is registered{SourcePlaceText.At(other.Place, graph.SharedFolder)}."),
                .. unregistered.Select(type => $"{type.Name} does, but is not registered.")],
            Fixes =
            [
                .. unregistered.Take(1)
                    .Select(type => new Fix(
                        $"if {type.Name} is meant, write", RegistrationText.OfClass(node.Level, service, type),
                        Instead(node, service, type))
                    {
                        ByHandBecause = ByHand.WhetherMeant,
                    }),
                new Fix($"change {node.Implementation.Name} to {verb} {service.Name}", null, Edits.Implement(node.Implementation, service))
                {
                    ByHandBecause = ByHand.WhetherMeant,
                },
                new Fix(
                    $"remove {service.Name} from this registration; then it no longer provides that",
                    null,
                    node.Services[0].Equals(service) ? [] : Edits.RemoveOption(node, OptionNames.Also, service.OwnName))
                {
                    ChangesBehavior = true,
                },
            ],
            Candidates = [node.Implementation.Name, service.Name],
            Order = node.Order,
            Subject = node.Services[0].Equals(service) ? null : new FaultSubject.OfOption(node, OptionNames.Also, service.OwnName),
        };
    }

    /// <summary>In place of this one, if it is for that service only; otherwise beside it, and this one is no longer for it.</summary>
    private static IReadOnlyList<SourceEdit> Instead(Node node, TypeRef service, TypeRef type)
    {
        string registration = RegistrationText.OfClass(node.Level, service, type);
        return node.Services is [_] ? Edits.Start(node, registration)
            : node.Services[0].Equals(service) ? []
            : Edits.OfAll([Edits.RemoveOption(node, OptionNames.Also, service.OwnName), Edits.Register(node, registration)]);
    }
}
