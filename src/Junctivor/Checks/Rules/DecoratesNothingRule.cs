using Junctivor.Graph;

namespace Junctivor.Checks;

/// <summary>JV205: a decorator that finds nothing to wrap, or that has no place for it.</summary>
internal sealed class DecoratesNothingRule : IRule
{
    public bool MayFind(ServiceGraph graph, IReadOnlyList<Node> nodes) => graph.Effective.Decorators.Count > 0;

    public IEnumerable<Fault> Inspect(ServiceGraph graph, IReadOnlyCollection<Node> nodes) =>
        graph.Effective.Decorators.Count > 0 ? Find(graph) : [];

    private static IEnumerable<Fault> Find(ServiceGraph graph)
    {
        foreach (Node decorator in graph.Effective.Decorators)
        {
            TypeRef service = decorator.Services[0];
            bool isOpenAndWaiting = decorator.IsOpen && graph.Effective.All.Any(offer => offer.Service.Type.IsClosingOf(service));
            if (!graph.AppliedDecorators.Contains(decorator) && !isOpenAndWaiting)
            {
                ServiceId wanted = new(service, decorator.Mark);
                IReadOnlyList<NearMiss> near = NearMisses.Of(graph, wanted, new Consumers("inner", Level.Transient, [], decorator));
                yield return Found(
                    graph,
                    decorator,
                    $"{decorator.Name} decorates {wanted}, which is not registered",
                    [.. near.Select(each => each.Remark)],
                    near.Select(each => each.Fix).FirstOrDefault(each => each is not null)
                        ?? new Fix($"register {wanted}, or remove the decorator"));
            }

            if (decorator.Kind == NodeKind.Class
                && decorator.ChosenConstructor is { } constructor
                && !constructor.Parameters.Any(parameter => parameter.IsInner))
            {
                int takers = constructor.Parameters.Count(parameter => parameter.Mark is null && parameter.Type.IsClosingOf(service));
                yield return Found(
                    graph,
                    decorator,
                    takers == 0
                        ? $"{decorator.Name} decorates {service.Name}, but its constructor does not take it"
                        : $"{decorator.Name} decorates {service.Name}, but its constructor takes {takers} of them without a mark",
                    [],
                    WrongParameterOf(graph, decorator) is { } wrong
                        ? Taking(decorator, wrong)
                        : new Fix(
                            $"give {decorator.Implementation.Name} exactly one unmarked parameter of the decorated service",
                            RegistrationText.Parameter(null, service.Name, "inner")));
            }
        }
    }

    /// <summary>The parameter of a decorator that takes something missing in place of what it decorates; null if there is
    /// none.</summary>
    public static string? WrongParameterOf(ServiceGraph graph, Node decorator) =>
        decorator is { IsDecorator: true, Kind: NodeKind.Class, ChosenConstructor: { } constructor }
        && !Array.Exists(constructor.Parameters, parameter => parameter.IsInner || parameter.Type.IsClosingOf(decorator.Services[0]))
        && constructor.Parameters.Where(parameter => !graph.CanMeet(decorator, parameter)).ToList() is [Parameter only]
            ? only.Name
            : null;

    private static Fix Taking(Node decorator, string wrong)
    {
        string parameter = RegistrationText.Parameter(null, decorator.Services[0].Name, wrong);
        return new Fix(
            "take what it decorates; change the parameter to", parameter,
            Edits.ChangeParameter(decorator.Implementation, wrong, parameter))
        {
            ByHandBecause = ByHand.WhetherMeant,
        };
    }

    private static Fault Found(ServiceGraph graph, Node decorator, string summary, IReadOnlyList<string> remarks, Fix fix) =>
        new(FaultKind.DecoratesNothing)
        {
            Summary = summary,
            Path = new FaultPath(graph).Node(decorator).Path,
            Remarks = remarks,
            Fixes = [fix],
            Candidates = [decorator.Name],
            Order = decorator.Order,
        };
}
