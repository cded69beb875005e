using Junctivor.Graph;

namespace Junctivor.Checks;

/// <summary>Holds the rules, and runs them all.</summary>
internal static class Checker
{
    /// <summary>What is wrong with a registration by itself, or with a class that is constructed without one.</summary>
    private static readonly IRule[] RegistrationRules =
    [
        new NotConstructibleRule(),
        new SeveralConstructorsRule(),
        new DoesNotImplementRule(),
        new ArgumentMismatchRule(),
        new DoesNotApplyRule(),
        new AsyncInFromRule(),
    ];

    /// <summary>What is wrong between registrations, a consumer of them.</summary>
    private static readonly IRule[] WiringRules =
    [
        new ReplacesNothingRule(),
        new RegisteredTwiceRule(),
        new DecoratesNothingRule(),
        new UnreachableRule(),
        new UndecoratedRule(),
    ];

    /// <summary>What is wrong with what something needs, by whatever it is met.</summary>
    private static readonly IRule[] DependencyRules =
    [
        new CycleRule(),
        new CaptiveRule(),
        new LevelOutOfPlaceRule(),
        new LevelOutOfPlaceInFreshScopeRule(),
        new LateValueNeededEarlyRule(),
        new FrozenTransientRule(),
        new UnreleasedTransientRule(),
    ];

    /// <summary>What is wrong with needs that are not bound to exactly one registration: few, where most are.</summary>
    private static readonly IRule[] UnboundDependencyRules =
    [
        new MissingRule(),
        new AbsentRule(),
        new GenericConstraintRule(),
        new AmbiguousRule(),
        new ArgumentMismatchInCallRule(),
        new DoesNotApplyToSharedRule(),
        new ConsumingClassSharedRule(),
        new CaptiveScopeRule(),
        new NotFreshRule(),
        new TakesScopeRule(),
    ];

    /// <summary>Everything that is wrong with a wiring.</summary>
    public static IEnumerable<Fault> Inspect(ServiceGraph graph)
    {
        IReadOnlyList<Node> counting = [.. graph.Registrations.Where(graph.Effective.Counts)];
        return WiringRules.SelectMany(rule => rule.Inspect(graph, counting))
            .Concat(RegistrationRules.SelectMany(rule => rule.Inspect(graph, counting)))
            .Concat(Inspect(graph, graph.Unrequested.Count == 0 ? graph.Nodes : [.. graph.Nodes.Except(graph.Unrequested)]));
    }

    /// <summary>Everything that is wrong with some nodes.</summary>
    public static IEnumerable<Fault> Inspect(ServiceGraph graph, IReadOnlyCollection<Node> nodes)
    {
        IReadOnlyList<Node> unregistered = [.. nodes.Where(node => node.Registration.Order == int.MaxValue)];
        IReadOnlyList<Node> notMetByOne = [.. nodes.Where(node => !node.IsBoundToOne)];
        return InspectAny(RegistrationRules, graph, unregistered)
            .Concat(InspectAny(DependencyRules, graph, nodes))
            .Concat(InspectAny(UnboundDependencyRules, graph, notMetByOne));
    }

    private static IEnumerable<Fault> InspectAny(IRule[] rules, ServiceGraph graph, IReadOnlyCollection<Node> nodes) =>
        nodes.Count == 0 ? [] : rules.SelectMany(rule => rule.Inspect(graph, nodes));
}
