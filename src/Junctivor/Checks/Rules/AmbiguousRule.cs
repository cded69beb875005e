using Junctivor.Graph;

namespace Junctivor.Checks;

/// <summary>JV202: several registrations for a service of which one is wanted. One fault a service, with all who ask.</summary>
internal sealed class AmbiguousRule : IRule
{
    private const int ShownConsumers = 5;

    public IEnumerable<Fault> Inspect(ServiceGraph graph, IReadOnlyCollection<Node> nodes)
    {
        var ambiguous =
            from need in nodes.SelectMany(graph.NeedsOf)
            from supply in need.Supply.All().OfType<Supply.Ambiguous>()
            group (need, supply) by supply.Service;

        foreach (var asking in ambiguous)
        {
            yield return Ambiguous(graph, asking.First().supply, [.. asking.Select(each => each.need)]);
        }
    }

    /// <summary>What is said where somebody asks at run time, by no parameter.</summary>
    public static Fault AskedFor(ServiceGraph graph, Supply.Ambiguous supply) =>
        Found(graph, supply, $"one {supply.Service} was asked for", [], new Steps(graph).Line(supply.Service.ToString()), depth: 1);

    private static Fault Ambiguous(ServiceGraph graph, Supply.Ambiguous supply, IReadOnlyList<Need> needs)
    {
        Need first = needs[0];
        Steps steps = new Steps(graph).Node(first.Consumer).Need(first, "", 1);
        IReadOnlyList<string> others =
        [
            .. needs.Skip(1).Take(ShownConsumers).Select(need => $"{need.Consumer.Name} asks for it too, by {need.Parameter.Name}."),
            .. needs.Count > ShownConsumers + 1 ? new[] { $"So do {needs.Count - ShownConsumers - 1} more." } : [],
        ];
        return Found(graph, supply, $"{first.Consumer.Name} wants one {supply.Service}", others, steps, depth: 2);
    }

    private static Fault Found(
        ServiceGraph graph, Supply.Ambiguous supply, string who, IReadOnlyList<string> remarks, Steps steps, int depth)
    {
        foreach (Node candidate in supply.Candidates)
        {
            steps.Node(candidate, depth);
        }

        return new Fault
        {
            Code = "JV202",
            Name = "ambiguous",
            Summary = $"{who}, and {supply.Candidates.Count} are registered",
            Path = steps.Path,
            Remarks = remarks,
            Cures = CuresOf(supply),
            Candidates = [.. supply.Candidates.Select(candidate => candidate.Name)],
            Order = supply.Candidates[supply.Candidates.Count - 1].Order,
        };
    }

    private static IReadOnlyList<string> CuresOf(Supply.Ambiguous supply)
    {
        string service = supply.Service.Type.Name;
        return supply.Candidates.Count(candidate => candidate.Endings.IsFirstChoice) > 1
            ? ["leave .FirstChoice() on one of them only"]
            :
            [
                "keep one of them",
                $"mark them with .Marked<TMark>(), and ask for [Marked<TMark>] {service}",
                "put .FirstChoice() behind the one to take where one is wanted",
                $"ask for all of them: IReadOnlyList<{service}>",
            ];
    }
}
