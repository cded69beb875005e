using Junctivor.Graph;

namespace Junctivor.Checks;

/// <summary>JV109: something was written that means nothing where it stands; and what is said of arguments for something shared.</summary>
internal sealed class DoesNotApplyRule : NodeRule
{
    protected override bool Concerns(Node node) => node.Options.Meaningless.Count > 0 || node.Options.OnlyFor is not null;

    public override IEnumerable<Fault> Inspect(ServiceGraph graph, IReadOnlyCollection<Node> nodes) =>
        nodes.Where(node => node.Options.Meaningless.Count > 0)
            .SelectMany(node => node.Options.Meaningless.Select(idle => Found(graph, node, idle)))
            .Concat(nodes.Where(node => node.Options.OnlyFor is { IsInterface: false } only && NobodyTakes(graph, node, only))
                .Select(node => ForNobody(graph, node, node.Options.OnlyFor!)));

    /// <summary>Whether the class that a registration is for is registered, and takes nothing that it provides.</summary>
    private static bool NobodyTakes(ServiceGraph graph, Node node, TypeRef only)
    {
        IReadOnlyList<Node> named =
            [.. graph.Registrations.Where(each => each.Implementation.Equals(only) || each.Implementation.IsClosingOf(only))];
        return named.Count > 0
            && named.All(each => each.Kind is NodeKind.Factory || each is { Kind: NodeKind.Class, ChosenConstructor: not null })
            && !named.Any(each => Takes(each, node));
    }

    private static bool Takes(Node consumer, Node provider) => consumer.Parameters
        .Any(parameter => provider.Services.Any(service => Mentions(parameter.Type, service)));

    private static bool Mentions(TypeRef type, TypeRef service) =>
        type.Equals(service) || type.IsClosingOf(service) || type.Arguments.Any(argument => Mentions(argument, service));

    private static Fault ForNobody(ServiceGraph graph, Node node, TypeRef only)
    {
        Node? other = graph.Registrations.FirstOrDefault(each => each.Kind == NodeKind.Class && each != node && Takes(each, node));
        string instead = other is null ? "" : $".{OptionNames.OnlyFor}<{other.Implementation.Name}>()";
        Fault fault = Found(
            $"{node.Name}: {OptionNames.OnlyFor} names {only.SimpleName}, which does not take {node.Services[0].Name}",
            new FaultPath(graph).Node(node).Path,
            new Fix("remove it", null, Edits.RemoveOption(node, OptionNames.OnlyFor)) { ByHandBecause = ByHand.WhetherMeant },
            node);
        return fault with
        {
            // The program runs without it: the registration is only never used.
            Severity = Severity.Warning,
            Subject = new FaultSubject.OfOption(node, OptionNames.OnlyFor, null),
            Fixes = other is null || other.Implementation.IsDefinition
                ? fault.Fixes
                :
                [
                    new Fix(
                        $"if {other.Implementation.Name} is meant, write",
                        instead,
                        Edits.OfAll([Edits.RemoveOption(node, OptionNames.OnlyFor), Edits.Append(node, instead)]))
                    {
                        ByHandBecause = ByHand.WhetherMeant,
                    },
                    .. fault.Fixes,
                ],
        };
    }

    private static Fault Found(ServiceGraph graph, Node node, MeaninglessOption idle) =>
        Found(
            $"{node.Name}: {idle.Reason}",
            new FaultPath(graph).Node(node).Path,
            new Fix("remove it", null, idle.Option is { } option ? Edits.RemoveOption(node, option, idle.Naming) : [])
            {
                // An acceptance only speaks of a fault; any other option was written for something that then does not happen.
                ByHandBecause = idle.Option == OptionNames.Accept ? null : ByHand.WhetherMeant,
            },
            node) with
        {
            Subject = idle.Option is { } written ? new FaultSubject.OfOption(node, written, idle.Naming) : null,
        };

    public static Fault SharedWithArguments(Node node, IReadOnlyList<FaultStep> path) => Found(
        $"{node.Name} ({node.Lifetime}) is resolved with arguments, but has one shared instance",
        path,
        new Fix($"take {node.Name} without arguments, or make it transient", RegistrationText.Again(node, Level.Transient),
            Edits.Lifetime(node, Level.Transient))
        {
            ByHandBecause = ByHand.Anew(node.Implementation),
        },
        node);

    private static Fault Found(string summary, IReadOnlyList<FaultStep> path, Fix fix, Node node) => new(FaultKind.DoesNotApply)
    {
        Summary = summary,
        Path = path,
        Fixes = [fix],
        Candidates = [node.Name],
        Order = node.Order,
    };
}
