using Junctivor.Graph;

namespace Junctivor.Checks;

/// <summary>JV503: singletons that a branch shares with its parent, and that do not see what the branch replaces.</summary>
internal static class BranchNotSeenFaults
{
    /// <param name="graph">The graph of the branch.</param>
    /// <param name="isShared">Whether a node is the parent's.</param>
    public static IEnumerable<Fault> NotSeen(ServiceGraph graph, Func<Node, bool> isShared) =>
        from holder in graph.Nodes
        where holder.CreatesInstances && isShared(holder)
        from path in DependencyPaths.From(holder)
        let own = path[path.Count - 1].To
        where own.Level == Level.Singleton && !isShared(own)
        select new Fault(FaultKind.BranchNotSeen)
        {
            Summary = $"{holder.Name} is shared with the parent, and does not use the {own.Name} of the branch",
            Path = new FaultPath(graph).Chain(path).Path,
            Remarks = [$"The parent creates {holder.Name} with its own registrations."],
            Fixes = [new Fix(
                $"register {holder.Name} in the branch too",
                RegistrationText.Again(holder) + ".Replacing()",
                Edits.Register(own, RegistrationText.Again(holder) + ".Replacing()"))],
            Candidates = [holder.Name, own.Name],
            Order = own.Order,
        };
}
