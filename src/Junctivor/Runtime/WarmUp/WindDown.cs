using System.Collections.Concurrent;
using Junctivor.Graph;

namespace Junctivor.Runtime;

/// <summary>Undoes a warm-up: what needs others before these, and every one is tried.</summary>
/// <param name="warm">What is warm, in the order in which it became so.</param>
/// <param name="container">Where it is.</param>
internal sealed class WindDown(IReadOnlyCollection<WarmNode> warm, Container container)
{
    private readonly ConcurrentDictionary<Node, bool> _begun = new();
    private readonly ConcurrentDictionary<Node, bool> _ended = new();
    private readonly ConcurrentQueue<Exception> _failures = new();

    /// <returns>What they threw.</returns>
    /// <exception cref="WindDownTimeoutException">Some did not end within the limit.</exception>
    public async Task<List<Exception>> RunAsync(TimeSpan limit, CancellationToken cancellationToken)
    {
        Dictionary<Node, WarmNode> warmths = warm.ToDictionary(each => each.Node);
        ILookup<Node, Node> dependents = warm.SelectMany(each => each.Needs, (each, needed) => (each.Node, needed))
            .ToLookup(pair => pair.needed, pair => pair.Node);
        CancellationTokenSource stop = CancellationTokenSource.CreateLinkedTokenSource(cancellationToken);
        Task all =
            StagedExecution.RunAsync(
                warm.Select(each => each.Node).Reverse(), node => dependents[node], node => UndoAsync(warmths[node], stop.Token));
        try
        {
            await all.WaitAsync(limit, CancellationToken.None).ConfigureAwait(false);
            stop.Dispose();
            return [.. _failures];
        }
        catch (TimeoutException)
        {
            // What goes on beyond the limit still has the token, so that is not disposed.
            string[] unended = Names(node => _begun.ContainsKey(node));
            string[] waiting = Names(node => !_begun.ContainsKey(node));
            await stop.CancelAsync().ConfigureAwait(false);
            throw new WindDownTimeoutException(limit, unended, waiting, [.. _failures]);
        }

        string[] Names(Func<Node, bool> isMeant) => [.. warm
            .Where(each => each.WindDown is not null && !_ended.ContainsKey(each.Node) && isMeant(each.Node))
            .Select(each => each.Node.Name)];
    }

    private async Task UndoAsync(WarmNode one, CancellationToken cancellationToken)
    {
        _begun[one.Node] = true;
        StagedWork work = StagedWork.Begin(container, one.Node, "wind-down");
        try
        {
            await (one.WindDown?.Invoke(cancellationToken) ?? Task.CompletedTask).ConfigureAwait(false);
        }
#pragma warning disable CA1031 // The others must wind down too; this one is thrown at the end.
        catch (Exception failure)
#pragma warning restore CA1031
        {
            _failures.Enqueue(failure);
        }
        finally
        {
            work.Finish();
            _ended[one.Node] = true;
        }
    }
}
