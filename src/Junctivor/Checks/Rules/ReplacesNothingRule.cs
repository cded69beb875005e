using Junctivor.Graph;

namespace Junctivor.Checks;

/// <summary>JV203: an entry that replaces, with nothing before it to replace.</summary>
internal sealed class ReplacesNothingRule : IRule
{
    public IEnumerable<Fault> Inspect(ServiceGraph graph, IReadOnlyCollection<Node> nodes) =>
        graph.Effective.ReplacingNothing.Select(node => Found(graph, node));

    private static Fault Found(ServiceGraph graph, Node node)
    {
        string services = string.Join(", ", node.Candidates);
        IReadOnlyList<Node> later = [.. graph.Registrations.Where(
            other => other.Order > node.Order && other.Candidates.Intersect(node.Candidates).Any())];
        FaultPath steps = new FaultPath(graph).Node(node);
        foreach (Node other in later)
        {
            steps.Node(other);
        }

        return new Fault(FaultKind.ReplacesNothing)
        {
            Summary = $"{node.Name} replaces {services}, but no registration before it provides that",
            Path = steps.Path,
            Remarks = later.Count == 0 ? [] : ["It stands before the registration that it could replace."],
            Fixes = [new Fix(
                later.Count == 0
                    ? "remove .Replacing(), or register before it what it should replace"
                    : $"move it after {later[later.Count - 1].Name}")],
            Candidates = [node.Name],
            Order = node.Order,
        };
    }
}
