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
        new SplitClassRule(),
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
    public static List<Fault> Inspect(ServiceGraph graph)
    {
        List<Fault> found = [];
        IReadOnlyList<Node> counting = graph.Effective.IsNoneOutdone ? graph.Registrations : WithoutOutdone(graph);
        Inspect(WiringRules, graph, counting, found);
        Inspect(RegistrationRules, graph, counting, found);
        Inspect(graph, graph.Unrequested.Count == 0 ? graph.Nodes : WithoutUnrequested(graph), found);
        return found;
    }

    /// <summary>Everything that is wrong with some nodes.</summary>
    public static List<Fault> Inspect(ServiceGraph graph, IReadOnlyList<Node> nodes)
    {
        List<Fault> found = [];
        Inspect(graph, nodes, found);
        return found;
    }

    private static IReadOnlyList<Node> WithoutOutdone(ServiceGraph graph) => [.. graph.Registrations.Where(graph.Effective.Counts)];

    private static IReadOnlyList<Node> WithoutUnrequested(ServiceGraph graph) => [.. graph.Nodes.Except(graph.Unrequested)];

    private static void Inspect(ServiceGraph graph, IReadOnlyList<Node> nodes, List<Fault> found)
    {
        List<Node> unregistered = [];
        List<Node> notMetByOne = [];
        for (int number = 0; number < nodes.Count; number++)
        {
            Node node = nodes[number];
            if (!node.Registration.IsInWiring)
            {
                unregistered.Add(node);
            }

            if (!node.IsBoundToOne)
            {
                notMetByOne.Add(node);
            }
        }

        Inspect(RegistrationRules, graph, unregistered, found);
        Inspect(DependencyRules, graph, nodes, found);
        Inspect(UnboundDependencyRules, graph, notMetByOne, found);
    }

    private static void Inspect(IRule[] rules, ServiceGraph graph, IReadOnlyList<Node> nodes, List<Fault> found)
    {
        if (nodes.Count == 0)
        {
            return;
        }

        foreach (IRule rule in rules)
        {
            if (rule.MayFind(graph, nodes))
            {
                found.AddRange(rule.Inspect(graph, nodes));
            }
        }
    }
}
