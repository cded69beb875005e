using Junctivor.Graph;

namespace Junctivor.Checks;

/// <summary>JV108: <c>From</c> was given an asynchronous factory, and would register the task instead of what it gives.</summary>
internal sealed class AsyncInFromRule : IRule
{
    private static readonly HashSet<string> Tasks = new(StringComparer.Ordinal)
    {
        WellKnownTypes.Task, WellKnownTypes.TaskOf, WellKnownTypes.ValueTask, WellKnownTypes.ValueTaskOf,
    };

    public IEnumerable<Fault> Inspect(ServiceGraph graph, IReadOnlyCollection<Node> nodes) =>
        from node in nodes
        where node is { Kind: NodeKind.Factory, IsAsync: false } && Tasks.Contains(node.Implementation.DefinitionName)
        select new Fault(FaultKind.AsyncInFrom)
        {
            Summary = $"From registers {node.Implementation.Name} itself, not its result",
            Path = new FaultPath(graph).Node(node).Path,
            Remarks = ["A consumer of the result would not find it."],
            Fixes = [new Fix("pass the same factory to FromAsync, which awaits it", $"{RegistrationText.Start(node.Level)}.FromAsync(…)")],
            Candidates = [node.Name],
            Order = node.Order,
        };
}
