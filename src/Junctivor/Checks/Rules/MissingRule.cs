using Junctivor.Graph;

namespace Junctivor.Checks;

/// <summary>JV101: somebody asks for a service that nobody registers. One fault a service, with all who ask.</summary>
internal sealed class MissingRule : IRule
{
    private const int ShownConsumers = 8;

    public IEnumerable<Fault> Inspect(ServiceGraph graph)
    {
        var missing = graph.Needs
            .Where(need => need.Supply.Core is Supply.Missing)
            .GroupBy(need => ((Supply.Missing)need.Supply.Core).Service);

        foreach (IGrouping<ServiceId, Need> needs in missing)
        {
            yield return Missing(graph, needs.Key, [.. needs]);
        }
    }

    /// <summary>What is said where somebody asks at run time, by no parameter.</summary>
    public static Fault AskedFor(ServiceGraph graph, ServiceId service) => new()
    {
        Code = "JV101",
        Name = "missing",
        Summary = $"{service} was asked for, and nobody registers it",
        Path = new Steps(graph).Line(service.ToString(), lifetime: "not registered").Path,
        Remarks = NearMisses.Of(graph, service).Remarks,
        Cures = Cures(graph, service, Level.Transient),
    };

    private static Fault Missing(ServiceGraph graph, ServiceId service, IReadOnlyList<Need> needs)
    {
        Steps steps = new(graph);
        foreach (Need need in needs.Take(ShownConsumers))
        {
            steps.Node(need.Consumer).Need(need, "not registered", 1);
        }

        if (needs.Count > ShownConsumers)
        {
            steps.Line($"… and {needs.Count - ShownConsumers} more");
        }

        Node first = needs[0].Consumer;
        return new Fault
        {
            Code = "JV101",
            Name = "missing",
            Summary = needs.Count == 1
                ? $"{first.Name} asks for {service}, and nobody registers it"
                : $"{service} is asked for in {needs.Count} places, and nobody registers it",
            Path = steps.Path,
            Remarks = NearMisses.Of(graph, service).Remarks,
            Cures = Cures(graph, service, needs.Any(need => need.Consumer.Level == Level.Singleton) ? Level.Singleton : first.Level),
            Candidates = [.. needs.Select(need => need.Consumer.Name).Distinct()],
            Order = first.Order,
        };
    }

    private static IReadOnlyList<string> Cures(ServiceGraph graph, ServiceId service, Level level)
    {
        NearMisses near = NearMisses.Of(graph, service);
        return near.Cures.Count > 0 ? near.Cures : RegistrationText.Suggest(service.Type, level);
    }
}
