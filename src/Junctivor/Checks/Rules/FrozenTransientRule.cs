using Junctivor.Graph;

namespace Junctivor.Checks;

/// <summary>JV303: a singleton keeps one transient for as long as the container lives.</summary>
internal sealed class FrozenTransientRule : IRule
{
    public IEnumerable<Fault> Inspect(ServiceGraph graph, IReadOnlyCollection<Node> nodes)
    {
        foreach (Node holder in nodes.Where(node => node.Level == Level.Singleton))
        {
            foreach (Edge edge in graph.EdgesOf(holder).Where(edge => IsFrozen(graph, edge)))
            {
                yield return Frozen(graph, holder, edge);
            }
        }
    }

    /// <summary>Where the transient needs something shorter-lived, it is captive, and that is said instead.</summary>
    private static bool IsFrozen(ServiceGraph graph, Edge edge) =>
        !edge.IsDeferred
        && edge.To.Level.IsTransient
        && edge.To.Makes
        && !HeldWays.From(graph, edge.To).Any(way => way[way.Count - 1].To.Level.IsShorterThan(Level.Singleton));

    private static Fault Frozen(ServiceGraph graph, Node holder, Edge edge)
    {
        Node frozen = edge.To;
        return new Fault
        {
            Code = "JV303",
            Name = "frozen-transient",
            Severity = frozen.Made.IsDisposable ? Severity.Warning : Severity.Note,
            Summary = $"{holder.Name} (singleton) keeps one {frozen.Name} (transient) for as long as it lives",
            Path = new Steps(graph).Chain([edge]).Path,
            Remarks = frozen.Made.IsDisposable ? [$"{frozen.Name} holds something to end, and ends only with the container."] : [],
            Cures =
            [
                frozen.Made.IsDisposable
                    ? $"take FreshScope<{frozen.Services[0].Name}> in {holder.Name}: what a run makes ends with the run"
                    : $"take Func<{frozen.Services[0].Name}> in {holder.Name}, and call it for a fresh one each time",
                $"register {frozen.Name} with Singleton, if one for all is meant",
            ],
            Candidates = [holder.Name, frozen.Name],
            Order = holder.Order,
        };
    }
}
