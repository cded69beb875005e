using Junctivor.Graph;

namespace Junctivor.Checks;

/// <summary>
/// JV505: what is optional or required as a list, and not registered. Nobody fails for it; but a class that
/// was forgotten looks just the same.
/// </summary>
internal sealed class AbsentRule : NodeRule
{
    private const int ShownConsumers = 8;

    protected override bool Concerns(Node node) => node.Has(BindingKinds.Nothing | BindingKinds.Empty);

    public override IEnumerable<Fault> Inspect(ServiceGraph graph, IReadOnlyCollection<Node> nodes)
    {
        IReadOnlyList<Dependency> dependencies = [.. DependencyReader.NotMetByOne(nodes)];
        return Find<Binding.Nothing>(
            graph, dependencies, binding => binding.Service, binding => !IsPlain(binding.Service.Type), "is optional, and not registered",
            "its default")
            .Concat(Find<Binding.Many>(
                graph, dependencies, binding => binding.Element, binding => binding.Elements.Count == 0,
                "is required as a list, and not registered",
                "an empty list"))
            .Concat(Find<Binding.Keyed>(
                graph, dependencies, binding => binding.Element, binding => binding.Elements.Count == 0,
                "is required by marks, and has no marked registration", "an empty dictionary"));
    }

    private static IEnumerable<Fault> Find<TSupply>(
        ServiceGraph graph, IReadOnlyList<Dependency> dependencies, Func<TSupply, ServiceId> service, Func<TSupply, bool> isEmpty,
        string what,
        string got)
        where TSupply : Binding =>
        from dependency in dependencies
        from binding in dependency.Bindings.OfType<TSupply>()
        where isEmpty(binding)
        group dependency by (Service: service(binding), IsAccepted: IsAccepted(dependency.Consumer)) into absent
        select Absent(graph, absent.Key.Service, [.. absent], what, got);

    /// <summary>A number or a text with a default is a setting, and not a forgotten service.</summary>
    private static bool IsPlain(TypeRef type) => type.IsValueType || type.DefinitionName == WellKnownTypes.Text;

    /// <summary>Who accepts it is distinguished from who does not.</summary>
    private static bool IsAccepted(Node consumer) => consumer.Options.Accepted.Any(acceptance => acceptance.Code == FaultKind.Absent.Code);

    /// <summary>A list that is empty because all registrations are marked.</summary>
    private static NearMiss? AllMarked(ServiceGraph graph, ServiceId service, IReadOnlyList<Dependency> dependencies)
    {
        Dependency first = dependencies[0];
        IReadOnlyList<Node> marked = [.. graph.Index.Serving(service.Type).Where(node => node.Mark is not null)];
        if (first.Binding is not Binding.Many || service.Mark is not null || marked.Count == 0)
        {
            return null;
        }

        string parameter = RegistrationText.Parameter(Mark.OrNot, first.Parameter.Type.Name, first.Parameter.Name);
        return new NearMiss(
            $"{marked[0].Name} is registered{SourcePlaceText.At(marked[0].Place, graph.SharedFolder)}, marked {marked[0].Mark}: a list has "
                + "unmarked registrations only.",
            new Fix(
                "let the list include marked ones", parameter, Consumers.Of(graph, dependencies, first.Consumer.Level).Take(parameter)));
    }

    private static IEnumerable<Fix> Fixes(IReadOnlyList<NearMiss> near, Node consumer, string accept) => near
        .Select(each => each.Fix)
        .OfType<Fix>()
        .Select(fix => fix with { Advice = $"if the registration is missing, {fix.Advice}" })
        .DefaultIfEmpty(new Fix("register it, if the registration is missing"))
        .Append(new Fix("if it is optional, add this to the registration of the consumer", accept, Edits.Append(consumer, accept)))
        .Select(fix => fix with { ByHandBecause = ByHand.WhetherMissing });

    private static Fault Absent(ServiceGraph graph, ServiceId service, IReadOnlyList<Dependency> dependencies, string what, string got)
    {
        FaultPath steps = new(graph);
        foreach (Dependency dependency in dependencies.Take(IsAccepted(dependencies[0].Consumer) ? dependencies.Count : ShownConsumers))
        {
            steps.Node(dependency.Consumer).Dependency(dependency, got, 1);
        }

        Dependency first = dependencies[0];
        IReadOnlyList<NearMiss> near = AllMarked(graph, service, dependencies) is { } marked
            ? [marked]
            : NearMisses.Of(graph, service, Consumers.Of(graph, dependencies, first.Consumer.Level));
        return new Fault(FaultKind.Absent)
        {
            Summary = $"{service} {what}: {first.Consumer.Name} gets {got}",
            Path = steps.Path,
            Remarks = [.. near.Select(each => each.Remark)],
            Fixes = [.. Fixes(near, first.Consumer, RegistrationText.Accept(FaultKind.Absent, $"{service} may be absent."))],
            Candidates = [.. dependencies.Select(dependency => dependency.Consumer.Name).Distinct()],
            Order = first.Consumer.Order,
        };
    }
}
