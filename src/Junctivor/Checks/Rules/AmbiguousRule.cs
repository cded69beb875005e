using Junctivor.Graph;

namespace Junctivor.Checks;

/// <summary>JV202: several registrations for a service of which one is wanted. One fault a service, with all who ask.</summary>
internal sealed class AmbiguousRule : IRule
{
    private const int ShownConsumers = 5;

    public IEnumerable<Fault> Inspect(ServiceGraph graph, IReadOnlyCollection<Node> nodes)
    {
        var ambiguous =
            from need in DependencyReader.NotMetByOne(nodes)
            from supply in need.Bindings.OfType<Binding.Ambiguous>()
            group (need, supply) by supply.Service;

        foreach (var asking in ambiguous)
        {
            yield return Ambiguous(graph, asking.First().supply, [.. asking.Select(each => each.need)]);
        }
    }

    /// <summary>What is said where somebody asks at run time, by no parameter.</summary>
    public static Fault AskedFor(ServiceGraph graph, Binding.Ambiguous supply) =>
        Found(graph, supply, $"one {supply.Service} was asked for", [], new FaultPath(graph).Line(supply.Service.ToString()), depth: 1, MissingFixes.AnyName);

    /// <summary>One value was handed over several times in one call.</summary>
    public static Fault HandedOver(ServiceId service, int times) => new()
    {
        Kind = FaultKind.Ambiguous,
        Summary = $"{service} was handed over {times} times in one call",
        Fixes = [new Fix("hand it over once")],
        Candidates = [service.ToString()],
    };

    private static Fault Ambiguous(ServiceGraph graph, Binding.Ambiguous supply, IReadOnlyList<Dependency> needs)
    {
        Dependency first = needs[0];
        FaultPath steps = new FaultPath(graph).Node(first.Consumer).Dependency(first, "", 1);
        IReadOnlyList<string> others =
        [
            .. needs.Skip(1).Take(ShownConsumers).Select(need => $"{need.Consumer.Name} asks for it too, by {need.Parameter.Name}."),
            .. needs.Count > ShownConsumers + 1 ? new[] { $"So do {needs.Count - ShownConsumers - 1} more." } : [],
        ];
        return Found(graph, supply, $"{first.Consumer.Name} wants one {supply.Service}", others, steps, depth: 2, first.Parameter.Name);
    }

    private static Fault Found(
        ServiceGraph graph, Binding.Ambiguous supply, string who, IReadOnlyList<string> remarks, FaultPath steps, int depth, string parameter)
    {
        foreach (Node candidate in supply.Candidates)
        {
            steps.Node(candidate, depth);
        }

        return new Fault
        {
            Kind = FaultKind.Ambiguous,
            Summary = $"{who}, and {supply.Candidates.Count} are registered",
            Path = steps.Path,
            Remarks =
            [
                .. remarks,
                .. supply.Candidates
                    .Where(candidate => graph.Effective.ReplacingNothing.Contains(candidate))
                    .Select(candidate => $"{candidate.Name} says .Replacing(), and stands before what it should replace (JV203): that is the cause."),
            ],
            Fixes = CuresOf(graph, supply, parameter),
            Candidates = [.. supply.Candidates.Select(candidate => candidate.Name)],
            Order = supply.Candidates[supply.Candidates.Count - 1].Order,
        };
    }

    private static List<Fix> CuresOf(ServiceGraph graph, Binding.Ambiguous supply, string parameter)
    {
        if (supply.Candidates.Count(candidate => candidate.Options.IsFirstChoice) > 1)
        {
            return [new Fix("leave .FirstChoice() on one of them only")];
        }

        TypeRef service = supply.Service.Type;
        List<Fix> fixes = [new Fix("keep one of them, and take the others away")];
        if (supply.Candidates.FirstOrDefault(candidate => graph.Effective.ReplacingNothing.Contains(candidate)) is { } early)
        {
            fixes.Insert(0, new Fix($"write {early.Name} behind the others, so that it replaces them"));
        }

        if (supply.Service.Mark is null)
        {
            Mark mark = MarkFor(supply.Candidates[0]);
            fixes.Add(new Fix(
                $"tell them apart: write {RegistrationText.OptionsOf(mark)} behind {supply.Candidates[0].Name}, mark the others likewise, and take",
                RegistrationText.Parameter(mark, service.Name, parameter)));
        }

        fixes.Add(new Fix($"let one come first where one is wanted, such as {supply.Candidates[0].Name}{SourcePlaceText.At(supply.Candidates[0].Place, graph.SharedFolder)}; put behind it", ".FirstChoice()"));
        fixes.Add(new Fix("take all of them", RegistrationText.Parameter(supply.Service.Mark, $"IReadOnlyList<{service.Name}>", parameter)));
        return fixes;
    }

    /// <summary>A class can be its own mark; the rest needs a word.</summary>
    private static Mark MarkFor(Node candidate) =>
        candidate.Kind == NodeKind.Class && !candidate.IsOpen ? Mark.Of(candidate.Implementation) : Mark.Of("first");
}
