using Junctivor.Graph;

namespace Junctivor.Checks;

/// <summary>JV108: <c>From</c> was given an asynchronous factory, and would register the task instead of what it gives.</summary>
internal sealed class AsyncInFromRule : IRule
{
    private static readonly HashSet<string> Tasks = new(StringComparer.Ordinal)
    {
        "System.Threading.Tasks.Task", "System.Threading.Tasks.Task`1", "System.Threading.Tasks.ValueTask", "System.Threading.Tasks.ValueTask`1",
    };

    public IEnumerable<Fault> Inspect(ServiceGraph graph, IReadOnlyCollection<Node> nodes) =>
        from node in nodes
        where node is { Kind: NodeKind.Factory, IsAsync: false } && Tasks.Contains(node.Made.DefinitionName)
        select new Fault
        {
            Kind = FaultKind.AsyncInFrom,
            Summary = $"From registers {node.Made.Name} itself, and not what it gives",
            Path = new Steps(graph).Node(node).Path,
            Remarks = ["Whoever asks for what the task gives would not find it."],
            Cures = [new Cure("give the same factory to FromAsync, which awaits it before work begins", $"{RegistrationText.Start(node.Level)}.FromAsync(…)")],
            Candidates = [node.Name],
            Order = node.Order,
        };
}
