using Junctivor.Graph;

namespace Junctivor.Checks;

/// <summary>JV204: the same class for the same service, twice; each is an instance of its own.</summary>
internal sealed class RegisteredTwiceRule : IRule
{
    public bool MayFind(ServiceGraph graph, IReadOnlyList<Node> nodes) =>
        graph.Effective.IsAnyServedBySeveral || graph.Effective.Decorators.Count > 0;

    public IEnumerable<Fault> Inspect(ServiceGraph graph, IReadOnlyCollection<Node> nodes) =>
        (graph.Effective.ServedBySeveral.Any() ? Find(graph).Concat(FindFactories(graph)).Concat(FindAliases(graph)) : [])
            .Concat(FindDecorators(graph));

    /// <summary>The same factory for the same service: two instances of the same making.</summary>
    private static IEnumerable<Fault> FindFactories(ServiceGraph graph) =>
        from offers in graph.Effective.ServedBySeveral
        from offer in offers
        where offer.Node.Kind == NodeKind.Factory
        let factory = graph.FactoryIdentityOf(offer.Node)
        where factory is not null
        group offer.Node by (offer.Service, factory, offer.Node.Options.OnlyFor) into same
        where same.Count() > 1
        select Twice(
            graph, same, $"the same factory is registered for {same.Key.Service} {same.Count()} times",
            "Each registration creates its own instances.", same.Key.Service);

    /// <summary>Aliases of one service to the same registration: the list has that one instance several times.</summary>
    private static IEnumerable<Fault> FindAliases(ServiceGraph graph) =>
        from offers in graph.Effective.ServedBySeveral
        from offer in offers
        where offer.Node.Kind == NodeKind.Alias
        group offer.Node by (offer.Service, offer.Node.FactoryParameters[0].Service, offer.Node.Options.OnlyFor) into same
        where same.Count() > 1
        select SameInstance(graph, same, same.Key.Item1, same.Key.Item2);

    private static Fault SameInstance(ServiceGraph graph, IEnumerable<Node> same, ServiceId service, ServiceId target)
    {
        IReadOnlyList<Node> aliases = [.. same];
        string another = RegistrationText.OfClass(graph.LevelOf(aliases[0]), service.Type, target.Type)
            + RegistrationText.OptionsOf(service.Mark);
        return Twice(
            graph, aliases, $"{target} is aliased for {service} {aliases.Count} times",
            $"An alias creates nothing: a list of {service} has the same instance {aliases.Count} times.", service) is var fault
            && target.Type is { IsInterface: false, IsAbstract: false }
            ? fault with
            {
                Fixes = [new Fix(
                    "if another instance is meant, register one in place of an alias", another,
                    Edits.Start(aliases[aliases.Count - 1], another))
                {
                    ByHandBecause = ByHand.WhetherMeant,
                }, .. fault.Fixes],
            }
            : fault;
    }

    private static Fault Twice(ServiceGraph graph, IEnumerable<Node> same, string summary, string remark, ServiceId service) =>
        new(FaultKind.RegisteredTwice)
        {
            Summary = summary,
            Path = same.Aggregate(new FaultPath(graph), (steps, node) => steps.Node(node)).Path,
            Remarks = [remark],
            Fixes =
            [
                Accepting("if that is intended", same.Last(), "Several are intended."),
                new Fix($"keep one of them, and remove the others; a list of {service} then has one", null, Edits.Remove(same.Skip(1)))
                {
                    ChangesBehavior = true,
                },
            ],
            Candidates = [same.First().Name],
            Order = same.Last().Order,
        };

    /// <summary>The same decorator around the same service twice: through two modules, as a rule.</summary>
    private static IEnumerable<Fault> FindDecorators(ServiceGraph graph) =>
        from decorator in graph.Effective.Decorators
        where decorator.Kind == NodeKind.Class
        group decorator by (new ServiceId(decorator.Services[0], decorator.Mark), decorator.Implementation) into same
        where same.Count() > 1
        select new Fault(FaultKind.RegisteredTwice)
        {
            Summary = $"{same.Key.Implementation.Name} decorates {same.Key.Item1} {same.Count()} times",
            Path = same.Aggregate(new FaultPath(graph), (steps, node) => steps.Node(node)).Path,
            Remarks = ["Each decorates the one before it."],
            Fixes =
            [
                Accepting("if that is intended", same.Last(), "It is meant to decorate twice."),
                new Fix("keep one of them, and remove the others; its work is then done once", null, Edits.Remove(same.Skip(1)))
                {
                    ChangesBehavior = true,
                },
            ],
            Candidates = [same.Key.Implementation.Name],
            Order = same.Last().Order,
        };

    private static IEnumerable<Fault> Find(ServiceGraph graph)
    {
        var twice =
            from offers in graph.Effective.ServedBySeveral
            from offer in offers
            where offer.Node.Kind == NodeKind.Class
            group offer.Node by (offer.Service, offer.Node.Implementation, offer.Node.Options.OnlyFor) into same
            where same.Count() > 1
            select same;

        foreach (var same in twice)
        {
            FaultPath steps = new(graph);
            foreach (Node node in same)
            {
                steps.Node(node);
            }

            yield return new Fault(FaultKind.RegisteredTwice)
            {
                Summary = $"{same.Key.Implementation.Name} is registered for {same.Key.Service} {same.Count()} times",
                Path = steps.Path,
                Remarks = ["Each registration creates its own instances."],
                Fixes =
                [
                    Accepting("if several instances are intended", same.Last(), "Several instances are intended."),
                    new Fix(
                        $"keep one of them, and remove the others; a list of {same.Key.Service} then has one instance of it",
                        null,
                        Edits.Remove(same.Skip(1)))
                    {
                        ChangesBehavior = true,
                    },
                ],
                Candidates = [same.Key.Implementation.Name],
                Order = same.Last().Order,
            };
        }
    }

    private static Fix Accepting(string condition, Node node, string reason)
    {
        string accept = RegistrationText.Accept(FaultKind.RegisteredTwice, reason);
        return new Fix($"{condition}, add to one of the registrations", accept, Edits.Append(node, accept))
        {
            ByHandBecause = ByHand.WhetherMeant,
        };
    }
}
