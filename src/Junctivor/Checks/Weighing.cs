using Junctivor.Graph;

namespace Junctivor.Checks;

/// <summary>Gives what was found the weight that a wiring and its registrations want it to have.</summary>
internal sealed class Weighing(ServiceGraph graph, IReadOnlyDictionary<string, Severity>? severities, bool warningsAreFaults)
{
    private HashSet<(Node, Acceptance)>? _used;

    public CheckReport Weigh(IEnumerable<Fault> found)
    {
        List<Fault> all = [];
        List<Fault> accepted = [];
        foreach (Fault fault in found)
        {
            if (Accept(fault) is { } reason)
            {
                accepted.Add(fault with { AcceptedBecause = reason });
            }
            else
            {
                all.Add(Weigh(fault));
            }
        }

        if (graph.Written.Any(node => node.Endings.Accepted.Count > 0))
        {
            all.AddRange(AcceptingNothing().Select(Weigh));
        }

        return new CheckReport(all, accepted);
    }

    private Fault Weigh(Fault fault)
    {
        if (severities is not null && severities.TryGetValue(fault.Code, out Severity told))
        {
            return fault with { Severity = told };
        }

        return warningsAreFaults && fault.Severity == Severity.Warning ? fault with { Severity = Severity.Fault } : fault;
    }

    /// <summary>The reason, where a registration on the path accepts it.</summary>
    private string? Accept(Fault fault)
    {
        string? reason = null;
        foreach (Node node in fault.Path.Select(step => step.Node).OfType<Node>().SelectMany(AllWritten))
        {
            foreach (Acceptance acceptance in node.Endings.Accepted.Where(acceptance => Of(acceptance) == fault.Kind))
            {
                (_used ??= []).Add((node, acceptance));
                reason ??= acceptance.Reason;
            }
        }

        return reason;
    }

    private IEnumerable<Fault> AcceptingNothing() =>
        from node in graph.Written
        where graph.Arrangement.Counts(node)
        from acceptance in node.Endings.Accepted
        let kind = Of(acceptance)
        where kind is not null && !ShowsElsewhere(kind) && _used?.Contains((node, acceptance)) != true
        select new Fault
        {
            Kind = FaultKind.AcceptsNothing,
            Summary = $"{node.Name} accepts {kind}, and has none",
            Path = new Steps(graph).Node(node).Path,
            Remarks = [$"It was accepted because: {acceptance.Reason}"],
            Cures = [new Cure("take the .Accept away")],
            Candidates = [node.Name],
            Order = node.Order,
        };

    /// <summary>What shows itself only where there is a branch: an acceptance of it may well wait.</summary>
    private static bool ShowsElsewhere(FaultKind kind) => kind == FaultKind.BranchNotSeen;

    private static FaultKind? Of(Acceptance acceptance) => FaultKind.Find(acceptance.Code) is { CanBeLowered: true } kind ? kind : null;

    /// <summary>The registrations that a node follows from: its own, and that of what it decorates.</summary>
    private static IEnumerable<Node> AllWritten(Node node)
    {
        for (Node? current = node; current is not null; current = current.Inner)
        {
            yield return current.Written;
        }
    }
}
