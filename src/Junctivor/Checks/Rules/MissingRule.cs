using Junctivor.Graph;

namespace Junctivor.Checks;

/// <summary>JV101: somebody asks for a service that nobody registers. One fault a service, with all who ask.</summary>
internal sealed class MissingRule : IRule
{
    private const int ShownConsumers = 8;

    public IEnumerable<Fault> Inspect(ServiceGraph graph, IReadOnlyCollection<Node> nodes)
    {
        IReadOnlyList<Need> needs = [.. nodes.SelectMany(graph.NeedsOf)];
        foreach (IGrouping<ServiceId, Need> missing in Group<Supply.Missing>(needs, supply => supply.Service, supply => supply.Unfitting.Count == 0))
        {
            yield return Missing(graph, missing.Key, [.. missing]);
        }

        foreach (IGrouping<ServiceId, Need> absent in Group<Supply.Nothing>(needs, supply => supply.Service, _ => true))
        {
            yield return Absent(graph, absent.Key, [.. absent], "is optional, and nobody registers it", "nothing");
        }

        foreach (IGrouping<ServiceId, Need> empty in Group<Supply.Many>(needs, supply => supply.Element, supply => supply.Elements.Count == 0))
        {
            yield return Absent(graph, empty.Key, [.. empty], "is asked for as a list, and nobody registers it", "an empty list");
        }

        foreach (IGrouping<ServiceId, Need> empty in Group<Supply.Keyed>(needs, supply => supply.Element, supply => supply.Elements.Count == 0))
        {
            yield return Absent(graph, empty.Key, [.. empty], "is asked for by marks, and nobody registers it with one", "an empty dictionary");
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

    private static IEnumerable<IGrouping<ServiceId, Need>> Group<TSupply>(
        IEnumerable<Need> needs, Func<TSupply, ServiceId> service, Func<TSupply, bool> counts)
        where TSupply : Supply =>
        from need in needs
        from supply in need.Supply.All().OfType<TSupply>()
        where counts(supply)
        group need by service(supply);

    /// <summary>Nobody fails for it; but a class that was forgotten looks just the same.</summary>
    private static Fault Absent(ServiceGraph graph, ServiceId service, IReadOnlyList<Need> needs, string what, string got)
    {
        Steps steps = new(graph);
        foreach (Need need in needs.Take(ShownConsumers))
        {
            steps.Node(need.Consumer).Need(need, got, 1);
        }

        return new Fault
        {
            Code = "JV101",
            Name = "missing",
            Severity = Severity.Note,
            Summary = $"{service} {what}: {needs[0].Consumer.Name} gets {got}",
            Path = steps.Path,
            Remarks = NearMisses.Of(graph, service).Remarks,
            Cures = ["register it, if it was forgotten"],
            Candidates = [.. needs.Select(need => need.Consumer.Name).Distinct()],
            Order = needs[0].Consumer.Order,
        };
    }

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
