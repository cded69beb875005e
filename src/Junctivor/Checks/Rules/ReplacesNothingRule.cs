using Junctivor.Graph;

namespace Junctivor.Checks;

/// <summary>JV203: an entry that replaces, with nothing before it to replace.</summary>
internal sealed class ReplacesNothingRule : IRule
{
    public IEnumerable<Fault> Inspect(ServiceGraph graph, IReadOnlyCollection<Node> nodes) =>
        graph.Arrangement.ReplacingNothing.Select(node => Found(graph, node));

    private static Fault Found(ServiceGraph graph, Node node)
    {
        string services = string.Join(", ", node.Offers);
        IReadOnlyList<Node> later = [.. graph.Written.Where(other => other.Order > node.Order && other.Offers.Intersect(node.Offers).Any())];
        Steps steps = new Steps(graph).Node(node);
        foreach (Node other in later)
        {
            steps.Node(other);
        }

        return new Fault
        {
            Kind = FaultKind.ReplacesNothing,
            Summary = $"{node.Name} replaces {services}, and nothing before it serves that",
            Path = steps.Path,
            Remarks = later.Count == 0 ? [] : ["It stands before what it could replace."],
            Cures = [new Cure(later.Count == 0 ? "take .Replacing() away, or register what it should replace before it" : $"write it behind {later[later.Count - 1].Name}")],
            Candidates = [node.Name],
            Order = node.Order,
        };
    }
}
