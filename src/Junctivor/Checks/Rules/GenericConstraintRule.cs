using Junctivor.Graph;

namespace Junctivor.Checks;

/// <summary>JV206: a closed generic service is wanted, and the open registrations of it cannot be closed so.</summary>
internal sealed class GenericConstraintRule : NodeRule
{
    /// <summary>How many of the closed types are shown that require each other.</summary>
    private const int ShownSteps = 3;

    protected override bool Concerns(Node node) => node.Has(BindingKinds.Missing);

    public override IEnumerable<Fault> Inspect(ServiceGraph graph, IReadOnlyCollection<Node> nodes)
    {
        var unfitting =
            from dependency in DependencyReader.NotMetByOne(nodes)
            from binding in dependency.Bindings.OfType<Binding.Missing>()
            where binding.Unfitting.Count > 0
            group (dependency, binding) by CauseOf(graph, binding);

        foreach (var asking in unfitting)
        {
            (Dependency first, Binding.Missing binding) = asking.First();
            yield return graph.GrowthTo(binding.Service.Type) is { Count: > 0 } chain
                ? Endless(graph, binding, chain)
                : Found(
                    graph,
                    binding,
                    $"{first.Consumer.Name} requires {binding.Service}",
                    new FaultPath(graph).Node(first.Consumer).Dependency(first, "", 1),
                    2) with
                { Order = first.Consumer.Order };
        }
    }

    /// <summary>What one fault is about: the service; of types that grow without end, the class.</summary>
    private static object CauseOf(ServiceGraph graph, Binding.Missing binding) =>
        graph.GrowthTo(binding.Service.Type).Count > 0 ? DefinitionOf(binding.Unfitting[0]) : binding.Service;

    private static TypeRef DefinitionOf(Node node) => node.Implementation.Definition ?? node.Implementation;

    private static Fault Endless(ServiceGraph graph, Binding.Missing binding, IReadOnlyList<TypeRef> chain)
    {
        Node open = binding.Unfitting[0];
        string name = DefinitionOf(open).Name;
        FaultPath steps = new(graph);
        steps.Line(chain[0].Name, 0, open.Lifetime, open);
        for (int number = 1; number < Math.Min(chain.Count, ShownSteps); number++)
        {
            steps.Line(chain[number].Name, number);
        }

        steps.Line("…", Math.Min(chain.Count, ShownSteps));
        return new Fault(FaultKind.GenericConstraint)
        {
            Summary = $"{name} requires itself with larger type arguments each time",
            Path = steps.Path,
            Remarks = ["Each closed type requires a larger one, without end."],
            Fixes = [new Fix($"change {name} so that it does not require itself with larger type arguments")],
            Candidates = [name],
            Order = open.Order,
        };
    }

    /// <summary>What is said where somebody asks at run time, by no parameter.</summary>
    public static Fault Requested(ServiceGraph graph, Binding.Missing binding) =>
        graph.GrowthTo(binding.Service.Type) is { Count: > 0 } chain ? Endless(graph, binding, chain) : Found(graph, binding, $"{binding.Service} is required", new FaultPath(graph).Line(binding.Service.ToString()), 1);

    private static Fault Found(ServiceGraph graph, Binding.Missing binding, string who, FaultPath steps, int depth)
    {
        foreach (Node each in binding.Unfitting)
        {
            steps.Node(each, depth);
        }

        TypeRef service = binding.Service.Type;
        Node open = binding.Unfitting[0];
        return new Fault(FaultKind.GenericConstraint)
        {
            Summary = $"{who}, but no open registration can be closed over its type arguments",
            Path = steps.Path,
            Remarks = [.. Reasons(graph, binding)],
            Fixes =
            [
                .. binding.Unfitting.Select(each => graph.ObstacleFor(each, service))
                    .OfType<ClosingObstacle>()
                    .Where(obstacle => obstacle.Advice is not null)
                    .DistinctBy(obstacle => obstacle.Advice)
                    .Select(obstacle => new Fix(
                        obstacle.Advice!,
                        null,
                        obstacle is { Argument: { } argument, Missed: { } missed } ? Edits.Implement(argument, missed) : [])
                    {
                        ByHandBecause = ByHand.WhetherMeant,
                    }),
                .. AgainstConstraint(graph.ObstacleFor(open, service), open, service),
            ],
            Candidates = [.. binding.Unfitting.Select(each => each.Name)],
        };
    }

    private static IEnumerable<Fix> AgainstConstraint(ClosingObstacle? obstacle, Node open, TypeRef service) =>
        obstacle is { Unbuilt: { } closed }
            ?
            [
                new Fix(
                    "register the closed class, which compiles it into the program",
                    RegistrationText.OfClass(open.Level, service, closed)),
            ]
            :
            [
                new Fix("register a class for these type arguments", RegistrationText.OfUnknown(open.Level, service)),
                new Fix($"relax the constraint of {open.Name}"),
            ];

    private static IEnumerable<string> Reasons(ServiceGraph graph, Binding.Missing binding)
    {
        TypeRef service = binding.Service.Type;
        IReadOnlyList<string> told = [.. binding.Unfitting.Select(each => graph.ObstacleFor(each, service)?.Reason)
            .OfType<string>()
            .Distinct()];
        return told.Count > 0
            ? told
            : ["The type arguments do not satisfy a constraint of the class, or the service does not determine all its type parameters."];
    }
}
