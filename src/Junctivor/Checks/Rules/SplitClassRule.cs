using Junctivor.Graph;

namespace Junctivor.Checks;

/// <summary>JV208: one class, registered in several registrations for different services. Usually one instance is meant to serve
/// all.</summary>
internal sealed class SplitClassRule : IRule
{
    private const int ShownState = 3;

    public bool MayFind(ServiceGraph graph, IReadOnlyList<Node> nodes)
    {
        HashSet<TypeRef> met = [];
        for (int number = 0; number < nodes.Count; number++)
        {
            if (IsPlainClass(nodes[number]) && !met.Add(nodes[number].Implementation))
            {
                return true;
            }
        }

        return false;
    }

    public IEnumerable<Fault> Inspect(ServiceGraph graph, IReadOnlyCollection<Node> nodes) =>
        from node in nodes
        where IsPlainClass(node)
        group node by (node.Implementation, node.Mark, node.Options.OnlyFor) into same
        let registrations = (IReadOnlyList<Node>)[.. same]
        where registrations.Count > 1
            && registrations.Any(node => !node.Level.IsTransient)
            && !registrations.Any(IsPassedConstants)
            && !graph.Registrations.Any(alias => IsAliasWithin(alias, registrations))
            && registrations.SelectMany(node => node.Services).Distinct().Count() == registrations.Sum(node => node.Services.Length)
        select Split(graph, registrations);

    /// <summary>Decorators wrap each service by an instance of their own.</summary>
    private static bool IsPlainClass(Node node) => node is { Kind: NodeKind.Class, IsDecorator: false };

    /// <summary>Whoever passes constants means different instances.</summary>
    private static bool IsPassedConstants(Node node) =>
        node.Options.UnmatchedArguments.Count > 0 || node.Parameters.Any(parameter => parameter.IsPassed);

    /// <summary>Whether an alias lets one of them provide the service of another: then a list has both, and two are meant.</summary>
    private static bool IsAliasWithin(Node alias, IReadOnlyList<Node> registrations) =>
        alias.Kind == NodeKind.Alias
        && registrations.Any(node => node.Services.Contains(alias.FactoryParameters[0].Type))
        && registrations.Any(node => node.Services.Any(alias.Services.Contains));

    private static Fault Split(ServiceGraph graph, IReadOnlyList<Node> registrations)
    {
        Node first = registrations[0];
        TypeRef created = first.Implementation;
        IReadOnlyList<TypeRef> others = [.. registrations.Skip(1).SelectMany(node => node.Services)];
        string also = string.Concat(others.Select(RegistrationText.Also));
        string accept = RegistrationText.Accept(FaultKind.SplitClass, "Separate instances are intended.");
        string services = string.Join(" and for ", registrations.Select(node => node.Services[0].Name));
        return new Fault(FaultKind.SplitClass)
        {
            Severity = created.IsDisposable || created.State.Count > 0 ? Severity.Warning : Severity.Note,
            Summary = $"{created.Name} is registered separately for {services}",
            Path = registrations.Aggregate(new FaultPath(graph), (steps, node) => steps.Node(node)).Path,
            Remarks = [.. Remarks(created, registrations)],
            Fixes =
            [
                new Fix(
                    "register it once, for all of its services",
                    RegistrationText.Again(first) + also,
                    registrations.Skip(1).All(HasNoOptions)
                        ? Edits.OfAll([Edits.Append(first, also), Edits.Remove(registrations.Skip(1))])
                        : [])
                {
                    ByHandBecause = ByHand.WhetherMeant,
                },
                new Fix(
                    "if separate instances are intended, add to one of the registrations",
                    accept,
                    Edits.Append(registrations[registrations.Count - 1], accept))
                {
                    ByHandBecause = ByHand.WhetherMeant,
                },
            ],
            Candidates = [created.Name],
            Order = registrations[registrations.Count - 1].Order,
            Subject = new FaultSubject.OfSecond(registrations[1], first),
        };
    }

    /// <summary>What is removed with a registration that has none is only the registration.</summary>
    private static bool HasNoOptions(Node node) =>
        node is { Mark: null, Services.Length: 1, Options: { Flags: 0, OnlyFor: null, HasWarmUp: false, Accepted.Count: 0 } };

    private static IEnumerable<string> Remarks(TypeRef created, IReadOnlyList<Node> registrations)
    {
        yield return "Each registration creates its own instances.";
        if (created.State.Count > 0)
        {
            yield return $"{created.Name} keeps {string.Join(", ", created.State.Take(ShownState))}: what is set in one instance is not seen "
                + "in the others.";
        }

        if (created.IsDisposable)
        {
            yield return $"{created.Name} is disposable, and each instance is disposed.";
        }

        if (registrations.Select(node => node.Level).Distinct().Count() > 1)
        {
            yield return "The lifetimes differ.";
        }
    }
}
