using Junctivor.Graph;

namespace Junctivor.Checks;

/// <summary>JV501: registered, and reached by no root; only where roots are named.</summary>
internal sealed class UnreachableRule : IRule
{
    public IEnumerable<Fault> Inspect(ServiceGraph graph, IReadOnlyCollection<Node> nodes)
    {
        IReadOnlyList<Node> roots = [.. graph.Nodes.Where(IsRoot)];
        return roots.Count == 0 ? [] : Find(graph, nodes, roots);
    }

    private static IEnumerable<Fault> Find(ServiceGraph graph, IReadOnlyCollection<Node> nodes, IReadOnlyList<Node> roots)
    {
        HashSet<Node> reached = [.. ServiceGraph.ReachableFrom([.. roots, .. Misnamed(graph)])
            .SelectMany(WithInners)
            .Select(node => node.Registration)];
        foreach (Node node in nodes.Where(node => !node.IsDecorator && !reached.Contains(node)))
        {
            yield return new Fault(FaultKind.Unreachable)
            {
                Summary = $"{node.Name} is registered, but unused: nothing that is resolved directly depends on it",
                Path = new FaultPath(graph).Node(node).Path,
                Fixes = [new Fix("remove it"), new Fix("if it is resolved directly, add to its registration", ".ResolvedDirectly()")],
                Candidates = [node.Name],
                Order = node.Order,
            };
        }
    }

    /// <summary>What is not reached only because it is registered for another service than the one that is missing: said there.</summary>
    private static IEnumerable<Node> Misnamed(ServiceGraph graph)
    {
        HashSet<TypeRef> missing = [.. DependencyReader.NotMetByOne(graph.Nodes)
            .SelectMany(dependency => dependency.Bindings)
            .OfType<Binding.Missing>()
            .Select(binding => binding.Service.Type)];
        return missing.SelectMany(graph.Index.AbleToServe);
    }

    private static bool IsRoot(Node node) => node.Options.IsRoot || (node.Inner is not null && Innermost(node).Options.IsRoot);

    private static Node Innermost(Node node) => node.Inner is null ? node : Innermost(node.Inner);

    private static IEnumerable<Node> WithInners(Node node)
    {
        for (Node? current = node; current is not null; current = current.Inner)
        {
            yield return current;
        }
    }
}
