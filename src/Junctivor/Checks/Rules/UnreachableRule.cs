using Junctivor.Graph;

namespace Junctivor.Checks;

/// <summary>JV501: registered, and reached by no root; only where roots are named.</summary>
internal sealed class UnreachableRule : IRule
{
    private const int MostShown = 3;

    public bool MayFind(ServiceGraph graph, IReadOnlyList<Node> nodes) => graph.HasRoots;

    public IEnumerable<Fault> Inspect(ServiceGraph graph, IReadOnlyCollection<Node> nodes)
    {
        IReadOnlyList<Node> roots = [.. graph.Nodes.Where(IsRoot)];
        return !roots.Any(IsResolvedDirectly) ? [] : Find(graph, nodes, roots);
    }

    private static IEnumerable<Fault> Find(ServiceGraph graph, IReadOnlyCollection<Node> nodes, IReadOnlyList<Node> roots)
    {
        HashSet<Node> reached = RegistrationsFrom([.. roots, .. Misnamed(graph)]);
        List<Node> unused = [.. nodes.Where(node => !node.IsDecorator && !reached.Contains(node))];
        foreach (Node node in OutermostOf(unused))
        {
            IReadOnlyList<string> with = [.. RegistrationsFrom([node])
                .Where(other => other != node && unused.Contains(other))
                .OrderBy(other => other.Order)
                .Select(other => other.Name)
                .Take(MostShown + 1)];
            yield return new Fault(FaultKind.Unreachable)
            {
                Summary = $"{node.Name} is registered, but unused: nothing that is resolved directly depends on it",
                Path = new FaultPath(graph).Node(node).Path,
                Remarks = with.Count == 0
                    ? []
                    : [$"Only it uses {string.Join(", ", with.Take(MostShown))}{(with.Count > MostShown ? ", …" : "")}."],
                Fixes =
                [
                    new Fix(
                        "if it is resolved directly, add to its registration",
                        OptionNames.Call(RegistrationFlags.ResolvedDirectly),
                        Edits.Append(node, OptionNames.Call(RegistrationFlags.ResolvedDirectly)))
                    {
                        ByHandBecause = ByHand.WhetherMeant,
                    },
                    new Fix(with.Count == 0 ? "remove it" : $"remove it, and what only it uses", null, Edits.Remove([node]))
                    {
                        ChangesBehavior = true,
                    },
                ],
                Candidates = [node.Name],
                Order = node.Order,
            };
        }
    }

    /// <summary>Those that no other one of them uses; of a cycle that nothing else uses, the first.</summary>
    private static IEnumerable<Node> OutermostOf(IReadOnlyList<Node> unused)
    {
        HashSet<Node> used = [.. unused.SelectMany(node => DirectlyUsedBy(node).Where(other => other != node))];
        List<Node> outermost = [.. unused.Where(node => !used.Contains(node))];
        HashSet<Node> covered = RegistrationsFrom(outermost);
        foreach (Node node in unused)
        {
            if (!covered.Contains(node))
            {
                outermost.Add(node);
                covered.UnionWith(RegistrationsFrom([node]));
            }
        }

        return outermost.OrderBy(node => node.Order);
    }

    private static IEnumerable<Node> DirectlyUsedBy(Node node) =>
        (node.Bindings ?? []).SelectMany(ServiceGraph.NodesIn).SelectMany(WithInners).Select(other => other.Registration);

    private static HashSet<Node> RegistrationsFrom(IEnumerable<Node> start) =>
        [.. ServiceGraph.ReachableFrom(start).SelectMany(WithInners).Select(node => node.Registration)];

    /// <summary>What is not reached only because it is registered for another service than the one that is missing: said there.</summary>
    private static IEnumerable<Node> Misnamed(ServiceGraph graph)
    {
        HashSet<TypeRef> missing = [.. DependencyReader.NotMetByOne(graph.Nodes)
            .SelectMany(dependency => dependency.Bindings)
            .OfType<Binding.Missing>()
            .Select(binding => binding.Service.Type)];
        return missing.SelectMany(graph.Index.AbleToServe);
    }

    /// <summary>Whether it is resolved directly, or works by itself: a warm-up starts what nothing resolves; or requests from
    /// outside.</summary>
    private static bool IsRoot(Node node) =>
        IsResolvedDirectly(node) || node.Innermost.Options is { HasWarmUp: true } or { IsEntryPoint: true };

    private static bool IsResolvedDirectly(Node node) =>
        node.Has(RegistrationFlags.ResolvedDirectly) || node.Innermost.Has(RegistrationFlags.ResolvedDirectly);

    private static IEnumerable<Node> WithInners(Node node)
    {
        for (Node? current = node; current is not null; current = current.Inner)
        {
            yield return current;
        }
    }
}
