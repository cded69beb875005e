using Junctivor.Graph;

namespace Junctivor.Runtime;

/// <summary>Work on several nodes: each after those before it, and what does not wait for each other at the same time.</summary>
internal static class StagedExecution
{
    /// <param name="nodes">The nodes, each behind those that it waits for.</param>
    /// <param name="before">Those that one waits for; who is not among the nodes, is not waited for.</param>
    /// <param name="work">The work; it keeps what goes wrong to itself.</param>
    public static Task RunAsync(IEnumerable<Node> nodes, Func<Node, IEnumerable<Node>> before, Func<Node, Task> work)
    {
        Dictionary<Node, Task> begun = [];
        foreach (Node node in nodes)
        {
            Task[] awaited = [.. before(node).Where(begun.ContainsKey).Select(earlier => begun[earlier])];
            begun.Add(node, Task.Run(async () =>
            {
                await Task.WhenAll(awaited).ConfigureAwait(false);
                await work(node).ConfigureAwait(false);
            }));
        }

        return Task.WhenAll(begun.Values);
    }
}
