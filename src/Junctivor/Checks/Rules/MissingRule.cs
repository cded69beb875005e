using Junctivor.Graph;

namespace Junctivor.Checks;

/// <summary>JV101: somebody requests a service that is not registered. One fault a service, with all who ask.</summary>
internal sealed class MissingRule : IRule
{
    private const int ShownConsumers = 8;

    public IEnumerable<Fault> Inspect(ServiceGraph graph, IReadOnlyCollection<Node> nodes) =>
        from dependency in DependencyReader.NotMetByOne(nodes)
        from binding in dependency.Bindings.OfType<Binding.Missing>()
        where binding.Unfitting.Count == 0
        group dependency by binding.Service into missing
        select Missing(graph, missing.Key, [.. missing]);

    /// <summary>What is said where somebody asks at run time, by no parameter.</summary>
    public static Fault Requested(ServiceGraph graph, ServiceId service)
    {
        IReadOnlyList<NearMiss> near = NearMisses.Of(graph, service, MissingFixes.AnyName, Level.Transient);
        return new Fault(FaultKind.Missing)
        {
            Summary = $"{service} was requested, but is not registered",
            Path = new FaultPath(graph).Line(service.ToString(), lifetime: "not registered").Path,
            Remarks = [.. near.Select(each => each.Remark)],
            Fixes = MissingFixes.Of(graph, service, near, Level.Transient, null),
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
        Level level = LongestOf(dependencies);
        IReadOnlyList<NearMiss> near = NearMisses.Of(graph, service, first.Parameter.Name, level);
        return new Fault(FaultKind.Missing)
        {
            Summary = dependencies.Count == 1
                ? $"{first.Consumer.Name} requires {service}, which is not registered"
                : $"{service} is required in {dependencies.Count} places, but is not registered",
            Path = steps.Path,
            Remarks = [.. near.Select(each => each.Remark)],
            Fixes = MissingFixes.Of(graph, service, near, level, first),
            Candidates = [.. dependencies.Select(dependency => dependency.Consumer.Name).Distinct()],
            Order = first.Consumer.Order,
        };
    }

    /// <summary>The level that all who ask can hold.</summary>
    private static Level LongestOf(IReadOnlyList<Dependency> dependencies)
    {
        Level longest = Level.Transient;
        foreach (Level level in dependencies.Select(dependency => dependency.Consumer.Level).Where(level => !level.IsTransient))
        {
            longest = longest.IsTransient || longest.IsShorterThan(level) ? level : longest;
        }

        return longest;
    }
}
