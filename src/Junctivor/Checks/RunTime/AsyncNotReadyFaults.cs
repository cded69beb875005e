using Junctivor.Graph;

namespace Junctivor.Checks;

/// <summary>JV401: something created asynchronously is needed where nothing has awaited it.</summary>
internal static class AsyncNotReadyFaults
{
    public static Fault NotReady(Node node, IReadOnlyList<FaultStep> path) => new(FaultKind.AsyncNotReady)
    {
        Summary = $"{node.Name} has an asynchronous factory, which was not awaited yet",
        Path = path,
        Fixes =
        [
            node.Level == Level.Singleton
                ? new Fix(
                    "warm up the container before anything is resolved",
                    "await container.WarmUpAsync();",
                    Edits.AwaitBefore("WarmUpAsync()"))
                : new Fix(
                    "start the scope with StartScopeAsync, or use FreshScope<T>.RunAsync",
                    "await using Scope scope = await container.StartScopeAsync();"),
        ],
        Candidates = [node.Name],
        Order = node.Order,
    };
}
