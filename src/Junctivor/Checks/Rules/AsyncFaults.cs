using Junctivor.Graph;

namespace Junctivor.Checks;

/// <summary>JV401: something made asynchronously is needed where nothing has awaited it.</summary>
internal static class AsyncFaults
{
    public static Fault NotReady(Node node, IReadOnlyList<FaultStep> path) => new()
    {
        Code = "JV401",
        Name = "async-not-ready",
        Summary = $"{node.Name} is made asynchronously, and nothing has awaited it yet",
        Path = path,
        Cures =
        [
            node.Level == Level.Singleton
                ? "await container.WarmUpAsync(…) before it is asked for"
                : "start the scope with await container.StartScopeAsync(…), or work in FreshScope<T>.RunAsync",
        ],
        Candidates = [node.Name],
        Order = node.Order,
    };
}
