using Junctivor.Graph;

namespace Junctivor.Checks;

/// <summary>JV206: a closed generic service is wanted, and the open registrations of it cannot be closed so.</summary>
internal sealed class GenericConstraintRule : IRule
{
    public IEnumerable<Fault> Inspect(ServiceGraph graph, IReadOnlyCollection<Node> nodes)
    {
        var unfitting =
            from need in DependencyReader.NotMetByOne(nodes)
            from supply in need.Bindings.OfType<Binding.Missing>()
            where supply.Unfitting.Count > 0
            group (need, supply) by supply.Service;

        foreach (var asking in unfitting)
        {
            Dependency first = asking.First().need;
            yield return Found(
                graph,
                asking.First().supply,
                $"{first.Consumer.Name} requires {asking.Key}",
                new FaultPath(graph).Node(first.Consumer).Dependency(first, "", 1),
                2) with
            { Order = first.Consumer.Order };
        }
    }

    /// <summary>What is said where somebody asks at run time, by no parameter.</summary>
    public static Fault AskedFor(ServiceGraph graph, Binding.Missing supply) =>
        Found(graph, supply, $"{supply.Service} was requested", new FaultPath(graph).Line(supply.Service.ToString()), 1);

    private static Fault Found(ServiceGraph graph, Binding.Missing supply, string who, FaultPath steps, int depth)
    {
        foreach (Node each in supply.Unfitting)
        {
            steps.Node(each, depth);
        }

        TypeRef service = supply.Service.Type;
        Node open = supply.Unfitting[0];
        return new Fault(FaultKind.GenericConstraint)
        {
            Summary = $"{who}, but no open registration can be closed over its type arguments",
            Path = steps.Path,
            Remarks = [.. Reasons(graph, supply)],
            Fixes = graph.IsTooDeep(service)
                ? [new Fix($"change {open.Name} so that it does not require itself with larger type arguments")]
                :
                [
                    new Fix("register a class for these type arguments", RegistrationText.OfUnknown(open.Level, service)),
                    new Fix($"relax the constraint of {open.Name}"),
                ],
            Candidates = [.. supply.Unfitting.Select(each => each.Name)],
        };
    }

    private static IEnumerable<string> Reasons(ServiceGraph graph, Binding.Missing supply)
    {
        TypeRef service = supply.Service.Type;
        if (graph.IsTooDeep(service))
        {
            return [$"The type arguments are nested {service.Nesting} deep: each closed type requires a larger one, without end."];
        }

        IReadOnlyList<string> told = [.. supply.Unfitting.Select(each => graph.ReasonAgainst(each, service)).OfType<string>().Distinct()];
        return told.Count > 0
            ? told
            : ["The type arguments do not satisfy a constraint of the class, or the service does not determine all its type parameters."];
    }
}
