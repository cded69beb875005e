using Junctivor.Graph;

namespace Junctivor.Checks;

/// <summary>JV108: <c>From</c> was given an asynchronous factory, and would register the task instead of what it gives.</summary>
internal sealed class AsyncInFromRule : NodeRule
{
    private const int MostShown = 3;

    /// <summary>The registration of the task of a missing service: then its fault is the only one.</summary>
    public static Node? CauseOf(ServiceGraph graph, ServiceId missing) => graph.Index.ServingAround(missing.Type)
        .FirstOrDefault(node => IsTask(node) && node.Mark == missing.Mark);

    private static string RemarkOn(ServiceGraph graph, Node node)
    {
        IReadOnlyList<string> consumers =
        [
            .. DependencyReader.NotMetByOne(graph.Nodes)
                .Where(dependency => dependency.Bindings.OfType<Binding.Missing>().Any(missing => CauseOf(graph, missing.Service) == node))
                .Select(dependency => dependency.Consumer.Name)
                .Distinct()
                .Take(MostShown),
        ];
        return consumers.Count == 0
            ? "A consumer of the result would not find it."
            : $"{string.Join(" and ", consumers)} {(consumers.Count == 1 ? "requires" : "require")} the result, and would not find it.";
    }

    private static bool IsTask(Node node) =>
        node is { Kind: NodeKind.Factory, IsAsync: false }
        && node.Implementation.DefinitionName
            is WellKnownTypes.Task or WellKnownTypes.TaskOf or WellKnownTypes.ValueTask or WellKnownTypes.ValueTaskOf;

    protected override bool Concerns(Node node) => IsTask(node);

    public override IEnumerable<Fault> Inspect(ServiceGraph graph, IReadOnlyCollection<Node> nodes) =>
        from node in nodes
        where IsTask(node)
        select new Fault(FaultKind.AsyncInFrom)
        {
            Summary = $"From registers {node.Implementation.Name} itself, not its result",
            Path = new FaultPath(graph).Node(node).Path,
            Remarks = [RemarkOn(graph, node)],
            Fixes =
            [
                new Fix(
                    "pass the same factory to FromAsync, which awaits it",
                    $"{RegistrationText.Start(node.Level)}.FromAsync(…)",
                    Edits.Method(node, "FromAsync"))
                {
                    ByHandBecause = ByHand.AwaitedThen,
                },
            ],
            Candidates = [node.Name],
            Order = node.Order,
        };
}
