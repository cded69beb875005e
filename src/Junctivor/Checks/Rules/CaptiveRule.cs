using Junctivor.Graph;

namespace Junctivor.Checks;

/// <summary>
/// JV301: something long-lived holds something that ends earlier, directly or through transients. One fault for each parameter
/// by which it does, with all that is held by it; and one for all parameters that one scope fixes together.
/// </summary>
internal sealed class CaptiveRule : IRule
{
    public bool MayFind(ServiceGraph graph, IReadOnlyList<Node> nodes) => graph.HasScopes;

    public IEnumerable<Fault> Inspect(ServiceGraph graph, IReadOnlyCollection<Node> nodes)
    {
        if (!graph.HasScopes)
        {
            return [];
        }

        Ancestors leading = Ancestors.Among(graph, nodes);
        List<Node> holders = [];
        foreach (Node node in nodes)
        {
            if (!node.Level.IsTransient && node.Level != Level.Scoped && leading.Leads(node))
            {
                holders.Add(node);
            }
        }

        return holders.Count == 0 ? [] : Find(graph, holders, leading);
    }

    private static IEnumerable<Fault> Find(ServiceGraph graph, IReadOnlyList<Node> holders, Ancestors leading)
    {
        ReverseDependencies dependents = new(graph);
        return
            from holder in holders
            from paths in Together(DependencyPaths.From(holder, leading).Where(path => Held(path).Level.IsShorterThan(holder.Level)))
            select Captive(graph, holder, paths, dependents);
    }

    /// <summary>The ways by parameter; those of all parameters that one scope brings, in one.</summary>
    private static IEnumerable<IReadOnlyList<IReadOnlyList<Edge>>> Together(IEnumerable<IReadOnlyList<Edge>> paths)
    {
        ILookup<bool, IReadOnlyList<IReadOnlyList<Edge>>> byParameter = paths
            .GroupBy(path => path[0].Dependency)
            .Select(same => (IReadOnlyList<IReadOnlyList<Edge>>)[.. same])
            .ToLookup(same => same.All(IsBroughtByScope));
        IReadOnlyList<IReadOnlyList<Edge>> together = [.. byParameter[true].SelectMany(same => same)];
        return together.Count == 0 ? byParameter[false] : byParameter[false].Prepend(together);
    }

    /// <summary>Whether a scope that is started for the work brings what is held, without a value.</summary>
    private static bool IsBroughtByScope(IReadOnlyList<Edge> path) =>
        Held(path).Level == Level.Scoped && Held(path).Kind != NodeKind.Incoming && path[0].Dependency.Binding is Binding.Single;

    private static Fault Captive(ServiceGraph graph, Node holder, IReadOnlyList<IReadOnlyList<Edge>> paths, ReverseDependencies dependents)
    {
        IReadOnlyList<Edge> first = paths[0];
        Node held = Held(first);
        string name = NameOf(first[first.Count - 1]);
        string also = string.Concat(paths.Where(path => path[0].Dependency != first[0].Dependency)
            .GroupBy(path => path[0].Dependency)
            .Select(same => $" and {NameOf(same.First()[same.First().Count - 1])}"));
        string through = first.Count == 1
            ? ""
            : $", through {string.Join(" and ", first.Take(first.Count - 1).Select(edge => edge.To.Name))}";
        return new Fault(FaultKind.Captive)
        {
            Summary = $"{holder.Name} ({holder.Level}) holds {name}{also} ({held.Level}){through}",
            Path = new FaultPath(graph).Tree(paths).Path,
            Remarks = [.. Remarks(holder, paths, name)],
            Fixes = CaptiveFixes.Of(graph, holder, paths, dependents),
            Candidates = [holder.Name, .. paths.Select(path => Held(path).Name)],
            Order = holder.Order,
        };
    }

    private static IEnumerable<string> Remarks(Node holder, IReadOnlyList<IReadOnlyList<Edge>> paths, string name)
    {
        IReadOnlyList<Edge> first = paths[0];
        IReadOnlyList<string> transients = [.. first.Take(first.Count - 1)
            .Where(edge => edge.To.Kind != NodeKind.Alias)
            .Select(edge => edge.To.Name)];
        if (transients.Count > 0)
        {
            yield return $"A transient lives as long as its holder: {string.Join(" and ", transients)} "
                + $"{(transients.Count == 1 ? "lives" : "live")} as long as {holder.Name}.";
        }

        if (first.Select(edge => edge.By).FirstOrDefault(by => by is not null) is { } form)
        {
            yield return $"A {form.Name} does not help: it resolves in the scope of its holder.";
        }

        if (holder.Inner is not null)
        {
            yield return $"A decorator lives as long as what it decorates: {holder.Inner.Name} is {holder.Level}.";
        }

        yield return $"{name} is disposed with its {ScopeOf(Held(first).Level)}.";
        yield return $"{holder.Name} would keep using its first instance until the end of {LifeOf(holder.Level)}.";
    }

    private static Node Held(IReadOnlyList<Edge> path) => path[path.Count - 1].To;

    private static string NameOf(Edge last) =>
        last.Dependency.Binding is Binding.Single ? last.Dependency.Parameter.Type.Name : last.To.Services[0].Name;

    private static string ScopeOf(Level held) => held == Level.Scoped ? "scope (a request, a message, a job)" : held.Name;

    private static string LifeOf(Level holder) => holder == Level.Singleton ? "the process" : $"the {holder}";
}
