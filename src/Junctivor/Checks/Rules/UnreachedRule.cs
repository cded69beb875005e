using Junctivor.Graph;

namespace Junctivor.Checks;

/// <summary>JV501: registered, and reached by no root; only where roots are named.</summary>
internal sealed class UnreachedRule : IRule
{
    public IEnumerable<Fault> Inspect(ServiceGraph graph, IReadOnlyCollection<Node> nodes)
    {
        IReadOnlyList<Node> roots = [.. graph.Nodes.Where(node => node.Endings.IsRoot || (node.Inner is not null && Innermost(node).Endings.IsRoot))];
        if (roots.Count == 0)
        {
            yield break;
        }

        HashSet<Node> reached = [.. graph.ReachableFrom(roots).SelectMany(WithInners).Select(node => node.Written)];
        foreach (Node node in nodes.Where(node => !node.IsDecorator && !reached.Contains(node)))
        {
            yield return new Fault
            {
                Code = "JV501",
                Name = "unreachable",
                Severity = Severity.Warning,
                Summary = $"{node.Name} is registered, and nothing that is resolved directly reaches it",
                Path = new Steps(graph).Node(node).Path,
                Cures = ["take it away", "write .ResolvedDirectly() behind it, if it is resolved from outside"],
                Candidates = [node.Name],
                Order = node.Order,
            };
        }
    }

    private static Node Innermost(Node node) => node.Inner is null ? node : Innermost(node.Inner);

    private static IEnumerable<Node> WithInners(Node node)
    {
        for (Node? current = node; current is not null; current = current.Inner)
        {
            yield return current;
        }
    }
}
