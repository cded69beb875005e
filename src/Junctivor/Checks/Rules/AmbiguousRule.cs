using Junctivor.Graph;

namespace Junctivor.Checks;

/// <summary>JV202: several registrations for a service of which one is wanted. One fault a service, with all who ask.</summary>
internal sealed class AmbiguousRule : IRule
{
    private const int ShownConsumers = 5;

    public IEnumerable<Fault> Inspect(ServiceGraph graph)
    {
        var ambiguous = graph.Needs
            .Where(need => need.Supply.Core is Supply.Ambiguous)
            .GroupBy(need => ((Supply.Ambiguous)need.Supply.Core).Service);

        foreach (IGrouping<ServiceId, Need> needs in ambiguous)
        {
            yield return Ambiguous(graph, needs.Key, [.. needs]);
        }
    }

    /// <summary>What is said where somebody asks at run time, by no parameter.</summary>
    public static Fault AskedFor(ServiceGraph graph, Supply.Ambiguous supply) =>
        Found(graph, supply, $"one {supply.Service} was asked for", [], new Steps(graph).Line(supply.Service.ToString()), depth: 1);

    private static Fault Ambiguous(ServiceGraph graph, ServiceId service, IReadOnlyList<Need> needs)
    {
        Supply.Ambiguous supply = (Supply.Ambiguous)needs[0].Supply.Core;
        Need first = needs[0];
        Steps steps = new Steps(graph).Node(first.Consumer).Need(first, "", 1);
        IReadOnlyList<string> others =
        [
            .. needs.Skip(1).Take(ShownConsumers).Select(need => $"{need.Consumer.Name} asks for it too, by {need.Parameter.Name}."),
            .. needs.Count > ShownConsumers + 1 ? new[] { $"So do {needs.Count - ShownConsumers - 1} more." } : [],
        ];
        return Found(graph, supply, $"{first.Consumer.Name} wants one {service}", others, steps, depth: 2);
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
            Cures = ["keep one of them", "let each serve a type of its own, and ask for that"],
            Candidates = [.. supply.Candidates.Select(candidate => candidate.Name)],
            Order = supply.Candidates[supply.Candidates.Count - 1].Order,
        };
    }
}
