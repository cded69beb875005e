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
                $"{first.Consumer.Name} asks for {asking.Key}",
                new FaultPath(graph).Node(first.Consumer).Dependency(first, "", 1),
                2) with
            { Order = first.Consumer.Order };
        }
    }

    /// <summary>What is said where somebody asks at run time, by no parameter.</summary>
    public static Fault AskedFor(ServiceGraph graph, Binding.Missing supply) =>
        Found(graph, supply, $"{supply.Service} was asked for", new FaultPath(graph).Line(supply.Service.ToString()), 1);

    private static Fault Found(ServiceGraph graph, Binding.Missing supply, string who, FaultPath steps, int depth)
    {
        foreach (Node each in supply.Unfitting)
        {
            steps.Node(each, depth);
        }

        TypeRef service = supply.Service.Type;
        Node open = supply.Unfitting[0];
        return new Fault
        {
            Kind = FaultKind.GenericConstraint,
            Summary = $"{who}, and no open registration can be closed so",
            Path = steps.Path,
            Remarks = [.. Reasons(graph, supply)],
            Fixes = graph.IsTooDeep(service)
                ? [new Fix($"let {open.Name} not ask for itself with larger type arguments each time")]
                :
                [
                    new Fix("register a class for this closing", RegistrationText.OfUnknown(open.Level, service)),
                    new Fix($"loosen the constraint of {open.Name}"),
                ],
            Candidates = [.. supply.Unfitting.Select(each => each.Name)],
        };
    }

    private static IEnumerable<string> Reasons(ServiceGraph graph, Binding.Missing supply)
    {
        TypeRef service = supply.Service.Type;
        if (graph.IsTooDeep(service))
        {
            return [$"The type arguments are nested {service.Nesting} deep: one closing asks for a larger one, and that never ends."];
        }

        IReadOnlyList<string> told = [.. supply.Unfitting.Select(each => graph.ReasonAgainst(each, service)).OfType<string>().Distinct()];
        return told.Count > 0 ? told : ["A constraint of the class does not hold for these type arguments, or the service does not settle all of its type parameters."];
    }
}
