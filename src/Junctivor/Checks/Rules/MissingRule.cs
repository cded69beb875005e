using Junctivor.Graph;

namespace Junctivor.Checks;

/// <summary>JV101: somebody resolves a service that is not registered. One fault a service, with all who ask.</summary>
internal sealed class MissingRule : NodeRule
{
    private const int ShownConsumers = 8;

    protected override bool Concerns(Node node) => node.Has(BindingKinds.Missing);

    public override IEnumerable<Fault> Inspect(ServiceGraph graph, IReadOnlyCollection<Node> nodes)
    {
        IReadOnlyList<Dependency> unmet = [.. DependencyReader.NotMetByOne(nodes)];
        return unmet.Count == 0 ? [] : Find(graph, unmet, ArgumentsFor(graph, unmet));
    }

    /// <summary>What a function would pass to a class that is not yet registered for the service of the function.</summary>
    private static HashSet<(Node Created, TypeRef Argument)> ArgumentsFor(ServiceGraph graph, IReadOnlyList<Dependency> unmet) =>
    [
        .. from dependency in unmet
           from binding in dependency.Bindings.OfType<Binding.Deferred>()
           where binding is { Form.TakesArguments: true, Inner: Binding.Missing }
           from created in graph.Index.AbleToServe(binding.Wanted)
           from argument in binding.Wrapper.Arguments.Take(binding.Wrapper.Arguments.Count - 1)
           select (created, argument),
    ];

    private static IEnumerable<Fault> Find(
        ServiceGraph graph, IReadOnlyList<Dependency> unmet, HashSet<(Node Created, TypeRef Argument)> arguments) =>
        from dependency in unmet
        where !arguments.Contains((dependency.Consumer, dependency.Parameter.Type))
        from binding in dependency.Bindings.OfType<Binding.Missing>()
        where binding.Unfitting.Count == 0
            && AsyncInFromRule.CauseOf(graph, binding.Service) is null
            && DecoratesNothingRule.WrongParameterOf(graph, dependency.Consumer.Registration) != dependency.Parameter.Name
        group dependency by binding.Service into missing
        select Missing(graph, missing.Key, [.. missing]);

    /// <summary>What is said where somebody asks at run time, by no parameter.</summary>
    public static Fault Requested(ServiceGraph graph, ServiceId service)
    {
        IReadOnlyList<NearMiss> near = NearMisses.Of(graph, service, Consumers.Code);
        return new Fault(FaultKind.Missing)
        {
            Summary = $"{service} cannot be resolved: it is not registered",
            Path = new FaultPath(graph).Line(service.ToString(), lifetime: "not registered").Path,
            Remarks = [.. near.Select(each => each.Remark)],
            Fixes = MissingFixes.Of(graph, service, near, Consumers.Code),
        };
    }

    private static Fault Missing(ServiceGraph graph, ServiceId service, IReadOnlyList<Dependency> dependencies)
    {
        FaultPath steps = new(graph);
        foreach (Dependency dependency in dependencies.Take(ShownConsumers))
        {
            steps.Node(dependency.Consumer).Dependency(dependency, "not registered", 1);
        }

        if (dependencies.Count > ShownConsumers)
        {
            steps.Line($"… and {dependencies.Count - ShownConsumers} more");
        }

        Dependency first = dependencies[0];
        Consumers consumers = Consumers.Of(graph, dependencies, LongestOf(graph, dependencies));
        IReadOnlyList<NearMiss> near = NearMisses.Of(graph, service, consumers);
        return new Fault(FaultKind.Missing)
        {
            Summary = dependencies.Count == 1
                ? $"{first.Consumer.Name} requires {service}, which is not registered"
                : $"{service} is required in {dependencies.Count} places, but is not registered",
            Path = steps.Path,
            Remarks = [.. near.Select(each => each.Remark), .. HeldThen(dependencies, near)],
            Fixes = MissingFixes.Of(graph, service, near, consumers),
            Candidates = [.. dependencies.Select(dependency => dependency.Consumer.Name).Distinct()],
            Order = first.Consumer.Order,
            Subject = first.Consumer.Kind == NodeKind.Factory
                ? new FaultSubject.OfParameter(first.Consumer, first.Parameter.Name)
                : null,
        };
    }

    /// <summary>What the check finds next where the first fix is made: something long-lived holds what is shorter-lived.</summary>
    private static IEnumerable<string> HeldThen(IReadOnlyList<Dependency> dependencies, IReadOnlyList<NearMiss> near) =>
        near is [{ Meant: { } meant }, ..]
        && dependencies.FirstOrDefault(dependency => dependency.Binding is Binding.Missing && !dependency.Consumer.Level.IsTransient
            && meant.Level.IsShorterThan(dependency.Consumer.Level)) is { } holding
            ? [$"Then {holding.Consumer.Name} ({holding.Consumer.Level}) would hold {meant.Name} ({meant.Level}): see JV301."]
            : [];

    /// <summary>The level that all consumers can hold.</summary>
    private static Level LongestOf(ServiceGraph graph, IReadOnlyList<Dependency> dependencies)
    {
        Level longest = Level.Transient;
        foreach (Level level in dependencies.SelectMany(dependency => LevelsOf(graph, dependency)).Where(level => !level.IsTransient))
        {
            longest = longest.IsTransient || longest.IsShorterThan(level) ? level : longest;
        }

        return longest;
    }

    /// <summary>In a fresh scope it can be scoped; through an alias, the consumers of the alias hold it.</summary>
    private static IEnumerable<Level> LevelsOf(ServiceGraph graph, Dependency dependency) =>
        dependency.Binding is Binding.Deferred { Form.StartsScope: true } ? [Level.Scoped]
        : dependency.Consumer.Kind != NodeKind.Alias ? [dependency.Consumer.Level]
        : graph.Nodes
            .Where(node => (node.Bindings ?? []).SelectMany(ServiceGraph.NodesIn).Contains(dependency.Consumer))
            .Select(node => node.Level);
}
