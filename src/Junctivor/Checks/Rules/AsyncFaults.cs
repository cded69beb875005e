using Junctivor.Graph;

namespace Junctivor.Checks;

/// <summary>JV401: something made asynchronously is needed where nothing has awaited it.</summary>
internal static class AsyncFaults
{
    public static Fault NotReady(Node node, IReadOnlyList<FaultStep> path) => new()
    {
        Kind = FaultKind.AsyncNotReady,
        Summary = $"{node.Name} is made asynchronously, and nothing has awaited it yet",
        Path = path,
        Fixes =
        [
            node.Level == Level.Singleton
                ? new Fix("warm the container up before anything is asked for", "await container.WarmUpAsync();")
                : new Fix("start the scope so that it is awaited, or work in FreshScope<T>.RunAsync", "await using Scope scope = await container.StartScopeAsync();"),
        ],
        Candidates = [node.Name],
        Order = node.Order,
    };
}
