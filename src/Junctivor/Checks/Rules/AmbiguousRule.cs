using Junctivor.Graph;

namespace Junctivor.Checks;

/// <summary>
/// JV202: several registrations for a service of which one is wanted. One fault a service, with all who ask; none if one of them should
/// have replaced the others (JV203).
/// </summary>
internal sealed class AmbiguousRule : NodeRule
{
    private static readonly string FirstChoice = OptionNames.Call(RegistrationFlags.FirstChoice);

    private const int ShownConsumers = 5;

    protected override bool Concerns(Node node) => node.Has(BindingKinds.Ambiguous);

    public override IEnumerable<Fault> Inspect(ServiceGraph graph, IReadOnlyCollection<Node> nodes)
    {
        var ambiguous =
            from dependency in DependencyReader.NotMetByOne(nodes)
            from binding in dependency.Bindings.OfType<Binding.Ambiguous>()
            where !binding.Candidates.Any(candidate => graph.Effective.ReplacingNothing.Contains(ReplacesNothingRule.WrittenFor(candidate)))
            group (dependency, binding) by binding.Service;

        foreach (var asking in ambiguous)
        {
            yield return Ambiguous(graph, asking.First().binding, [.. asking.Select(each => each.dependency)]);
        }
    }

    /// <summary>What is said where somebody asks at run time, by no parameter.</summary>
    public static Fault Requested(ServiceGraph graph, Binding.Ambiguous binding) =>
        Found(graph, binding, $"one {binding.Service} is required", [], new FaultPath(graph).Line(binding.Service.ToString()), depth: 1,
            Consumers.Code);

    /// <summary>One value was supplied several times in one call.</summary>
    public static Fault SuppliedTwice(ServiceId service, int times) => new(FaultKind.Ambiguous)
    {
        Summary = $"{service} was supplied {times} times in one call",
        Fixes = [new Fix("supply it once")],
        Candidates = [service.ToString()],
    };

    private static Fault Ambiguous(ServiceGraph graph, Binding.Ambiguous binding, IReadOnlyList<Dependency> dependencies)
    {
        Dependency first = dependencies[0];
        FaultPath steps = new FaultPath(graph).Node(first.Consumer).Dependency(first, "", 1);
        IReadOnlyList<string> others =
        [
            .. dependencies.Skip(1)
                .Take(ShownConsumers)
                .Select(dependency => $"{dependency.Consumer.Name} requires it too ({dependency.Parameter.Name})."),
            .. dependencies.Count > ShownConsumers + 1
                ? new[] { $"{dependencies.Count - ShownConsumers - 1} more consumers require it." }
                : [],
        ];
        return Found(
            graph, binding, $"{first.Consumer.Name} requires one {binding.Service}", others, steps, depth: 2,
            Consumers.Of(graph, dependencies, first.Consumer.Level));
    }

    private static Fault Found(
        ServiceGraph graph, Binding.Ambiguous binding, string who, IReadOnlyList<string> remarks, FaultPath steps, int depth,
        Consumers consumers)
    {
        foreach (Node candidate in binding.Candidates)
        {
            steps.Node(candidate, depth);
        }

        return new Fault(FaultKind.Ambiguous)
        {
            Summary = $"{who}, but {binding.Candidates.Count} are registered",
            Path = steps.Path,
            Remarks = remarks,
            Fixes = FixesOf(graph, binding, consumers),
            Candidates = [.. binding.Candidates.Select(candidate => candidate.Name)],
            Subject = new FaultSubject.OfSecond(binding.Candidates[1], binding.Candidates[0]),
            Order = binding.Candidates[binding.Candidates.Count - 1].Order,
        };
    }

    private static List<Fix> FixesOf(ServiceGraph graph, Binding.Ambiguous binding, Consumers consumers)
    {
        if (binding.Candidates.Count(candidate => candidate.Has(RegistrationFlags.FirstChoice)) > 1)
        {
            return [new Fix(
                $"keep {FirstChoice} on only one of them",
                null,
                Edits.OfAll(binding.Candidates.Where(candidate => candidate.Has(RegistrationFlags.FirstChoice))
                    .Skip(1)
                    .Select(candidate => Edits.RemoveOption(candidate, nameof(RegistrationFlags.FirstChoice)))))
            {
                ByHandBecause = ByHand.WhichIsMeant,
            }];
        }

        string parameter = consumers.Parameter;
        TypeRef service = binding.Service.Type;
        Node first = binding.Candidates[0];
        List<Fix> fixes = [];
        if (binding.Service.Mark is null && binding.Candidates.FirstOrDefault(candidate => TakesItself(candidate, service)) is { } wrapping)
        {
            string decorator = RegistrationText.Decorator(service, wrapping.Implementation);
            fixes.Add(new Fix(
                $"{wrapping.Name} takes the service that it is itself registered for: register it as a decorator of the others",
                decorator,
                Edits.Start(wrapping, decorator)));
        }
        else
        {
            fixes.Add(new Fix(
                "make one the default where a single instance is required: add to "
                    + $"{first.Name}{SourcePlaceText.At(first.Place, graph.SharedFolder)}",
                FirstChoice,
                Edits.Append(first, FirstChoice))
            {
                ByHandBecause = ByHand.WhichIsMeant,
            });
        }

        if (binding.Service.Mark is null && !binding.Candidates.Any(candidate => TakesItself(candidate, service)))
        {
            Mark mark = MarkFor(first, parameter);
            fixes.Add(new Fix(
                $"distinguish them with marks: add {RegistrationText.OptionsOf(mark)} to {first.Name}, mark the others too"
                    + $"{ListNote(graph, service)}, and take",
                RegistrationText.Parameter(mark, service.Name, parameter),
                MarkingAll(graph, binding, consumers))
            {
                ByHandBecause = ByHand.WhichIsMeant,
            });
        }

        fixes.Add(
            new Fix("take all of them", RegistrationText.Parameter(binding.Service.Mark, $"IReadOnlyList<{service.Name}>", parameter)));
        fixes.Add(new Fix(
            "keep one and remove the others, which can then no longer be used", null, Edits.Remove(binding.Candidates.Skip(1)))
        {
            ChangesBehavior = true,
        });
        return fixes;
    }

    /// <summary>The marks of all, and the consumers that take the first; none if somebody takes them in a list or later.</summary>
    private static IReadOnlyList<SourceEdit> MarkingAll(ServiceGraph graph, Binding.Ambiguous binding, Consumers consumers)
    {
        IReadOnlyList<Mark> marks = [.. binding.Candidates.Select(candidate => MarkFor(candidate, consumers.Parameter))];
        return ListNote(graph, binding.Service.Type).Length > 0
            || marks.Distinct().Count() < marks.Count
            || consumers.Dependencies.Any(dependency => dependency.Binding is not Binding.Ambiguous)
                ? []
                : Edits.OfAll(
                [
                    .. binding.Candidates.Zip(marks, (candidate, mark) => Edits.Append(candidate, RegistrationText.OptionsOf(mark))),
                    consumers.Take(RegistrationText.Parameter(marks[0], binding.Service.Type.Name, consumers.Parameter)),
                ]);
    }

    private static bool TakesItself(Node candidate, TypeRef service) =>
        candidate.Kind == NodeKind.Class
        && !candidate.Has(RegistrationFlags.Replacing)
        && candidate.Parameters.Any(parameter => parameter.Mark is null && parameter.Type.Equals(service));

    /// <summary>What marks change for somebody else: a list has unmarked registrations only.</summary>
    private static string ListNote(ServiceGraph graph, TypeRef service)
    {
        Node? taker = graph.Nodes.FirstOrDefault(node => (node.Bindings ?? [])
            .SelectMany(bound => bound.All())
            .OfType<Binding.Many>()
            .Any(many => many.Element.Mark is null && many.Element.Type.Equals(service)));
        return taker is null ? "" : $" (a marked one is in the list that {taker.Name} takes only if that has [IncludingMarked])";
    }

    /// <summary>A class can be its own mark; otherwise the parameter has a name for it.</summary>
    private static Mark MarkFor(Node candidate, string parameter) =>
        candidate.Kind == NodeKind.Class && !candidate.IsOpen ? Mark.Of(candidate.Implementation) : Mark.Of(parameter);
}
