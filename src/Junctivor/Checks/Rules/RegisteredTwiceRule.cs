using Junctivor.Graph;

namespace Junctivor.Checks;

/// <summary>JV204: the same class for the same service, twice; each is an instance of its own.</summary>
internal sealed class RegisteredTwiceRule : IRule
{
    public IEnumerable<Fault> Inspect(ServiceGraph graph, IReadOnlyCollection<Node> nodes) =>
        (graph.Effective.ServedBySeveral.Any() ? Find(graph) : []).Concat(FindDecorators(graph));

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
        return new Fix($"{condition}, add to one of the registrations", accept, Edits.Append(node, accept));
    }
}
