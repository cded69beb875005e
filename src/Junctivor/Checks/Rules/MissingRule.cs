using Junctivor.Graph;

namespace Junctivor.Checks;

/// <summary>JV101: somebody requests a service that is not registered. One fault a service, with all who ask.</summary>
internal sealed class MissingRule : IRule
{
    private const int ShownConsumers = 8;

    public IEnumerable<Fault> Inspect(ServiceGraph graph, IReadOnlyCollection<Node> nodes) =>
        from need in DependencyReader.NotMetByOne(nodes)
        from supply in need.Bindings.OfType<Binding.Missing>()
        where supply.Unfitting.Count == 0
        group need by supply.Service into missing
        select Missing(graph, missing.Key, [.. missing]);

    /// <summary>What is said where somebody asks at run time, by no parameter.</summary>
    public static Fault AskedFor(ServiceGraph graph, ServiceId service)
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

    private static Fault Missing(ServiceGraph graph, ServiceId service, IReadOnlyList<Dependency> needs)
    {
        FaultPath steps = new(graph);
        foreach (Dependency need in needs.Take(ShownConsumers))
        {
            steps.Node(need.Consumer).Dependency(need, "not registered", 1);
        }

        if (needs.Count > ShownConsumers)
        {
            steps.Line($"… and {needs.Count - ShownConsumers} more");
        }

        Dependency first = needs[0];
        Level level = LongestOf(needs);
        IReadOnlyList<NearMiss> near = NearMisses.Of(graph, service, first.Parameter.Name, level);
        return new Fault(FaultKind.Missing)
        {
            Summary = needs.Count == 1
                ? $"{first.Consumer.Name} requires {service}, which is not registered"
                : $"{service} is required in {needs.Count} places, but is not registered",
            Path = steps.Path,
            Remarks = [.. near.Select(each => each.Remark)],
            Fixes = MissingFixes.Of(graph, service, near, level, first),
            Candidates = [.. needs.Select(need => need.Consumer.Name).Distinct()],
            Order = first.Consumer.Order,
        };
    }

    /// <summary>The level that all who ask can hold.</summary>
    private static Level LongestOf(IReadOnlyList<Dependency> needs)
    {
        Level longest = Level.Transient;
        foreach (Level level in needs.Select(need => need.Consumer.Level).Where(level => !level.IsTransient))
        {
            longest = longest.IsTransient || longest.IsShorterThan(level) ? level : longest;
        }

        return longest;
    }
}
