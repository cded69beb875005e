using Junctivor.Graph;

namespace Junctivor.Checks;

/// <summary>JV102: a class that nobody can construct, or not with what a container can supply.</summary>
internal sealed class NotConstructibleRule : NodeRule
{
    protected override bool Concerns(Node node) =>
        (node.Kind == NodeKind.Class && MayBeUnconstructible(node)) || HasImpossibleParameter(node);

    private static bool MayBeUnconstructible(Node node)
    {
        TypeRef created = node.Implementation;
        return !DoesNotImplementRule.IsSwapped(node) && IsUnconstructible(node, created);
    }

    private static bool IsUnconstructible(Node node, TypeRef created) =>
        node.Constructors.Length == 0 || created.IsInterface || created.IsAbstract || created.IsStatic
        || (created.IsOpen && !node.IsOpen) || created.IsDelegate;

    private static bool HasImpossibleParameter(Node node)
    {
        foreach (Parameter parameter in node.Parameters)
        {
            if (parameter.Obstacle is not null)
            {
                return true;
            }
        }

        return false;
    }

    public override IEnumerable<Fault> Inspect(ServiceGraph graph, IReadOnlyCollection<Node> nodes) =>
        nodes.SelectMany(node => DoesNotImplementRule.IsSwapped(node) ? []
            : node.Kind == NodeKind.Class && InspectClass(graph, node) is { } found ? [found]
            : InspectParameters(graph, node));

    private static Fault? InspectClass(ServiceGraph graph, Node node)
    {
        TypeRef created = node.Implementation;
        return created switch
        {
            { IsStatic: true } =>
                Found(graph, node, "is static, so it has no instances",
                    new Fix($"call {created.Name} directly, or register a class that is not static")),
            { IsInterface: true } =>
                Found(graph, node, "is an interface, but a registration needs a class to construct", [.. Implementing(graph, node)]),
            { IsAbstract: true } =>
                Found(graph, node, "is abstract, but a registration needs a class to construct", [.. Implementing(graph, node)]),
            { IsOpen: true } when !node.IsOpen =>
                Found(graph, node, "has an open type argument",
                    new Fix("specify its type arguments, or register the generic definition with typeof")),
            { IsDelegate: true } =>
                Found(graph, node, "is a delegate type",
                    new Fix("register the delegate as a value", $"Singleton.Value<{created.Name}>(…)")),
            _ when node.Constructors.Length == 0 && created.IsTrimmed => Found(
                graph, node, "has no constructor left: trimming removed it, because no registration names the class", new Fix(
                    "register it by its type argument, which keeps its constructors",
                    RegistrationText.OfClass(node.Level, created, created)),
                new Fix("create it in a factory", RegistrationText.UnknownFactory(node, created))),
            _ when node.Constructors.Length == 0 => Found(
                graph, node, "has no public constructor", new Fix(
                    $"make a constructor of {created.Name} public", null, Edits.MakeConstructorPublic(created))
                {
                    ByHandBecause = ByHand.WhetherMeant,
                },
                new Fix("create it in a factory", RegistrationText.UnknownFactory(node, created))),
            _ => null,
        };
    }

    private static IEnumerable<Fault> InspectParameters(ServiceGraph graph, Node node)
    {
        foreach (Parameter parameter in node.Parameters)
        {
            if (parameter.Obstacle is { } obstacle)
            {
                string? cure = PropertyObstacle.CureOf(obstacle, parameter.Name);
                string kind = cure is not null || node.Properties.Contains(parameter) ? "injected property" : "parameter";
                yield return Found(
                    graph,
                    node,
                    $"has the {kind} {parameter.Type.Name} {parameter.Name}, which {obstacle}",
                    new Fix(cure ?? $"change the type of {parameter.Name}"),
                    new Fix($"create {node.Implementation.Name} in a factory", RegistrationText.UnknownFactory(node, node.Services[0])));
            }
        }
    }

    private static IEnumerable<Fix> Implementing(ServiceGraph graph, Node node)
    {
        IReadOnlyList<TypeRef> able = [.. graph.Index.AbleToServe(node.Implementation)
            .Where(other => other.Kind == NodeKind.Class)
            .Select(other => other.Implementation)
            .Concat(graph.Implementing(node.Implementation))
            .Where(created => !created.IsAbstract && !created.IsInterface)
            .Distinct()];
        TypeRef? implementing = able.Count > 0 ? able[0] : null;
        if (node.IsDecorator)
        {
            yield return new Fix(
                $"specify the class that decorates {node.Services[0].Name}", $"Decorator.Of<{node.Services[0].Name}, …>()");
        }
        else
        {
            yield return implementing is null
                ? new Fix("specify the class that implements it", RegistrationText.OfUnknown(node.Level, node.Implementation))
                : new Fix(
                    $"specify the class that implements it, such as {implementing.Name}",
                    RegistrationText.OfClass(node.Level, node.Implementation, implementing),
                    Edits.Start(node, RegistrationText.OfClass(node.Level, node.Implementation, implementing)))
                {
                    ByHandBecause = able.Count > 1 ? ByHand.Several(able.Select(type => type.Name)) : null,
                };
        }

        yield return new Fix("create it in a factory", RegistrationText.UnknownFactory(node, node.Services[0]));
    }

    private static Fault Found(ServiceGraph graph, Node node, string what, params IReadOnlyList<Fix> fixes) =>
        new(FaultKind.NotConstructible)
        {
            Summary = $"{node.Implementation.Name} {what}",
            Path = new FaultPath(graph).Node(node).Path,
            Fixes = fixes,
            Candidates = [node.Implementation.Name],
            Order = node.Order,
        };
}
