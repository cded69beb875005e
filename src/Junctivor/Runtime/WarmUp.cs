using Junctivor.Graph;
using Junctivor.Registering;

namespace Junctivor.Runtime;

/// <summary>What runs before the first work of a container and after the last. One call at a time.</summary>
internal sealed class WarmUp : IDisposable
{
    private readonly SemaphoreSlim _turn = new(1);
    private volatile Warm[] _warm = [];

    /// <summary>The names of what is warm and must be wound down.</summary>
    public IReadOnlyList<string> Pending => [.. _warm.Where(each => each.Entry.WindDown is not null).Select(each => each.Node.Name)];

    /// <summary>Makes and warms, each after what it needs; what a former call has done stays done.</summary>
    public async Task RunAsync(Container container, CancellationToken cancellation)
    {
        await _turn.WaitAsync(cancellation).ConfigureAwait(false);
        try
        {
            foreach (Node node in container.Book.WarmingUp().Where(node => _warm.All(each => each.Node != node)))
            {
                cancellation.ThrowIfCancellationRequested();
                if (node.IsAsync)
                {
                    await AsyncConstruction.MakeAsync(node, container, cancellation).ConfigureAwait(false);
                }

                object instance = Construction.Run(container.Book.PlanOf(node), container);
                Entry entry = container.Book.Reader.EntryOf(node);
                if (entry.WarmUp is not null)
                {
                    await entry.WarmUp(instance, cancellation).ConfigureAwait(false);
                }

                _warm = [.. _warm, new Warm(node, instance, entry)];
            }
        }
        finally
        {
            _turn.Release();
        }
    }

    /// <summary>Winds down what is warm, in reverse; every one is tried.</summary>
    /// <returns>What these threw.</returns>
    public async Task<List<Exception>> UndoAsync(CancellationToken cancellation)
    {
        await _turn.WaitAsync(cancellation).ConfigureAwait(false);
        List<Exception> failures = [];
        try
        {
            for (; _warm.Length > 0; _warm = _warm[..^1])
            {
                await UndoAsync(_warm[^1], failures, cancellation).ConfigureAwait(false);
            }
        }
        finally
        {
            _turn.Release();
        }

        return failures;
    }

    public void Dispose() => _turn.Dispose();

    private static async Task UndoAsync(Warm warm, List<Exception> failures, CancellationToken cancellation)
    {
        try
        {
            await (warm.Entry.WindDown?.Invoke(warm.Instance, cancellation) ?? Task.CompletedTask).ConfigureAwait(false);
        }
#pragma warning disable CA1031 // The others must wind down too; this one is thrown at the end.
        catch (Exception failure)
#pragma warning restore CA1031
        {
            failures.Add(failure);
        }
    }

    private sealed record Warm(Node Node, object Instance, Entry Entry);
}
