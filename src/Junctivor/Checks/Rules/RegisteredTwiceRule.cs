using Junctivor.Graph;

namespace Junctivor.Checks;

/// <summary>JV204: the same class, factory, alias or decorator for the same service, twice.</summary>
internal sealed class RegisteredTwiceRule : IRule
{
    public bool MayFind(ServiceGraph graph, IReadOnlyList<Node> nodes) =>
        graph.Effective.IsAnyServedBySeveral || graph.Effective.Decorators.Count > 0;

    public IEnumerable<Fault> Inspect(ServiceGraph graph, IReadOnlyCollection<Node> nodes) =>
        (graph.Effective.ServedBySeveral.Any() ? FindClasses(graph).Concat(FindFactories(graph)).Concat(FindAliases(graph)) : [])
            .Concat(FindDecorators(graph));

    /// <summary>The same class for the same service.</summary>
    private static IEnumerable<Fault> FindClasses(ServiceGraph graph) =>
        from offers in graph.Effective.ServedBySeveral
        from offer in offers
        where offer.Node.Kind == NodeKind.Class
        group offer.Node by (offer.Service, offer.Node.Implementation, offer.Node.Options.OnlyFor) into same
        where same.Count() > 1
        select Twice(graph, [.. same], new Words(
            same.Key.Implementation.Name,
            $"{same.Key.Implementation.Name} is registered for {same.Key.Service} {same.Count()} times",
            "Each registration creates its own instances.",
            "if several instances are intended",
            "Several instances are intended.",
            $"a list of {same.Key.Service} then has one instance of it"));

    /// <summary>The same factory for the same service.</summary>
    private static IEnumerable<Fault> FindFactories(ServiceGraph graph) =>
        from offers in graph.Effective.ServedBySeveral
        from offer in offers
        where offer.Node.Kind == NodeKind.Factory
        let factory = graph.FactoryIdentityOf(offer.Node)
        where factory is not null
        group offer.Node by (offer.Service, factory, offer.Node.Options.OnlyFor) into same
        where same.Count() > 1
        select Twice(graph, [.. same], new Words(
            same.First().Name,
            $"the same factory is registered for {same.Key.Service} {same.Count()} times",
            "Each registration creates its own instances.",
            "if that is intended",
            "Several are intended.",
            $"a list of {same.Key.Service} then has one"));

    /// <summary>Aliases of one service to the same registration: a list contains that one instance several times.</summary>
    private static IEnumerable<Fault> FindAliases(ServiceGraph graph) =>
        from offers in graph.Effective.ServedBySeveral
        from offer in offers
        where offer.Node.Kind == NodeKind.Alias
        group offer.Node by (offer.Service, Target: offer.Node.FactoryParameters[0].Service, offer.Node.Options.OnlyFor) into same
        where same.Count() > 1
        let aliases = (IReadOnlyList<Node>)[.. same]
        select Twice(
            graph,
            aliases,
            new Words(
                aliases[0].Name,
                $"{same.Key.Target} is aliased for {same.Key.Service} {aliases.Count} times",
                $"An alias creates nothing: a list of {same.Key.Service} has the same instance {aliases.Count} times.",
                "if that is intended",
                "Several are intended.",
                $"a list of {same.Key.Service} then has one"),
            [.. AnotherInstance(graph, aliases, same.Key.Service, same.Key.Target)]);

    private static IEnumerable<Fix> AnotherInstance(ServiceGraph graph, IReadOnlyList<Node> aliases, ServiceId service, ServiceId target)
    {
        if (target.Type.IsInterface || target.Type.IsAbstract)
        {
            yield break;
        }

        string another = RegistrationText.OfClass(graph.LevelOf(aliases[0]), service.Type, target.Type)
            + RegistrationText.OptionsOf(service.Mark);
        yield return new Fix(
            "if another instance is meant, register one in place of an alias", another, Edits.Start(aliases[aliases.Count - 1], another))
        {
            ByHandBecause = ByHand.WhetherMeant,
        };
    }

    /// <summary>The same decorator around the same service twice: usually through two modules.</summary>
    private static IEnumerable<Fault> FindDecorators(ServiceGraph graph) =>
        from decorator in graph.Effective.Decorators
        where decorator.Kind == NodeKind.Class
        group decorator by (Service: new ServiceId(decorator.Services[0], decorator.Mark), decorator.Implementation) into same
        where same.Count() > 1
        select Twice(graph, [.. same], new Words(
            same.Key.Implementation.Name,
            $"{same.Key.Implementation.Name} decorates {same.Key.Service} {same.Count()} times",
            "Each decorates the one before it.",
            "if that is intended",
            "It is meant to decorate twice.",
            "its work is then done once"));

    private static Fault Twice(ServiceGraph graph, IReadOnlyList<Node> same, Words words, params IReadOnlyList<Fix> first)
    {
        Node last = same[same.Count - 1];
        string accept = RegistrationText.Accept(FaultKind.RegisteredTwice, words.Reason);
        return new Fault(FaultKind.RegisteredTwice)
        {
            Summary = words.Summary,
            Path = same.Aggregate(new FaultPath(graph), (steps, node) => steps.Node(node)).Path,
            Remarks = [words.Remark],
            Fixes =
            [
                .. first,
                new Fix($"{words.Intended}, add to one of the registrations", accept, Edits.Append(last, accept))
                {
                    ByHandBecause = ByHand.WhetherMeant,
                },
                new Fix($"keep one of them, and remove the others; {words.Kept}", null, Edits.Remove(same.Skip(1)))
                {
                    ChangesBehavior = true,
                },
            ],
            Candidates = [words.Name],
            Order = last.Order,
            Subject = new FaultSubject.OfSecond(same[1], same[0]),
        };
    }

    /// <summary>What differs between the cases.</summary>
    /// <param name="Name">What is repeated.</param>
    /// <param name="Summary">The summary.</param>
    /// <param name="Remark">What follows from it.</param>
    /// <param name="Intended">When to accept it: the start of a sentence.</param>
    /// <param name="Reason">The reason in the code that accepts it.</param>
    /// <param name="Kept">What is left if the others are removed: the end of a sentence.</param>
    private sealed record Words(string Name, string Summary, string Remark, string Intended, string Reason, string Kept);
}
