using Junctivor.Reports.Graphs;

namespace Junctivor.Reports.Drawing;

/// <summary>A wiring as a picture shows it: boxes and arrows, and what is wrong with them.</summary>
internal sealed record DrawnGraph
{
    /// <summary>What the wiring is called.</summary>
    public required string Wiring { get; init; }

    public IReadOnlyList<DrawnNode> Nodes { get; init; } = [];

    public IReadOnlyList<DrawnEdge> Edges { get; init; } = [];

    public IReadOnlyList<DrawnFault> Faults { get; init; } = [];

    public DrawnFault FaultOf(int number) => Faults.First(fault => fault.Number == number);

    /// <summary>Whether a fault stops a build.</summary>
    public bool IsSerious(int number) => FaultOf(number).Severity == "error";

    /// <summary>What lies below some services: they, and all that they come to.</summary>
    public DrawnGraph From(IReadOnlyCollection<SavedService> services) => Only(Reached(KeysOf(services), edge => (edge.From, edge.To)));

    /// <summary>What touches some services: they, what they require, and what requires them.</summary>
    public DrawnGraph Around(IReadOnlyCollection<SavedService> services)
    {
        HashSet<string> middle = KeysOf(services);
        return Only(
        [
            .. middle,
            .. Edges.Where(edge => middle.Contains(edge.From)).Select(edge => edge.To),
            .. Edges.Where(edge => middle.Contains(edge.To)).Select(edge => edge.From),
        ]);
    }

    /// <summary>All ways from some services to others; empty if there is none.</summary>
    public DrawnGraph Between(IReadOnlyCollection<SavedService> from, IReadOnlyCollection<SavedService> to)
    {
        HashSet<string> kept = Reached(KeysOf(from), edge => (edge.From, edge.To));
        kept.IntersectWith(Reached(KeysOf(to), edge => (edge.To, edge.From)));
        return Only(kept);
    }

    private HashSet<string> KeysOf(IReadOnlyCollection<SavedService> services)
    {
        HashSet<string> ids = [.. services.SelectMany(service => service.By)];
        return [.. Nodes.Where(node => node.Id is not null && ids.Contains(node.Id)).Select(node => node.Key)];
    }

    private HashSet<string> Reached(IEnumerable<string> start, Func<DrawnEdge, (string At, string Next)> direction)
    {
        ILookup<string, string> next = Edges.Select(direction).ToLookup(step => step.At, step => step.Next);
        HashSet<string> reached = [];
        Stack<string> open = new(start);
        while (open.TryPop(out string? key))
        {
            if (reached.Add(key))
            {
                foreach (string other in next[key])
                {
                    open.Push(other);
                }
            }
        }

        return reached;
    }

    private DrawnGraph Only(HashSet<string> keys)
    {
        IReadOnlyList<DrawnNode> nodes = [.. Nodes.Where(node => keys.Contains(node.Key))];
        HashSet<int> faults = [.. nodes.SelectMany(node => node.Faults)];
        return this with
        {
            Nodes = nodes,
            Edges = [.. Edges.Where(edge => keys.Contains(edge.From) && keys.Contains(edge.To))],
            Faults = [.. Faults.Where(fault => faults.Contains(fault.Number))],
        };
    }
}
