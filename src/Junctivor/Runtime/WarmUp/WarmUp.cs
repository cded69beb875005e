using System.Collections.Concurrent;
using System.Diagnostics.CodeAnalysis;
using Junctivor.Graph;
using Junctivor.Reading;
using Junctivor.Registering;

namespace Junctivor.Runtime;

/// <summary>What runs before the first work of a container and after the last. One call at a time.</summary>
[SuppressMessage("Design", "CA1001",
    Justification = "Whoever still waits must get its turn, and the semaphore holds nothing to dispose of.")]
internal sealed class WarmUp
{
    private SemaphoreSlim? _turn;

    private volatile WarmNode[] _warm = [];
    private volatile bool _hasRun;
    private bool _isClosed;

    /// <summary>Whether somebody has called for it, with whatever success.</summary>
    public bool HasRun => _hasRun;

    /// <summary>The names of what is warm and must be wound down.</summary>
    public IReadOnlyList<string> Pending =>
        _warm.Length == 0 ? [] : [.. _warm.Where(warm => warm.WindDown is not null).Select(warm => warm.Node.Name)];

    /// <summary>Creates and warms what is cold, each after what it needs; all of it, or none.</summary>
    /// <exception cref="WarmUpException">User code threw.</exception>
    /// <exception cref="ObjectDisposedException">The container ended meanwhile; what had warmed up is wound down.</exception>
    public async Task RunAsync(Container container, CancellationToken cancellationToken)
    {
        _hasRun = true;
        await Turn.WaitAsync(cancellationToken).ConfigureAwait(false);
        try
        {
            if (_isClosed)
            {
                throw container.DisposedException();
            }

            OrderedNode[] cold = [.. container.Plans.AsyncOrder.WarmingUp().Where(ordered => _warm.All(warm => warm.Node != ordered.Node))];
            IReadOnlyCollection<WarmNode> warmed = await RunAsync(cold, container, cancellationToken).ConfigureAwait(false);
            if (container.IsDisposed)
            {
                List<Exception> undone = await UndoAsync(container, warmed).ConfigureAwait(false);
                throw DisposalFailures.AddTo(container.DisposedException(), undone.Count == 0 ? null : undone);
            }

            _warm = [.. _warm, .. warmed];
            foreach (WarmNode warm in warmed)
            {
                warm.Background?.Start();
            }
        }
        finally
        {
            Turn.Release();
        }
    }

    /// <summary>Winds down what is warm, what needs others before these; every one is tried.</summary>
    /// <param name="container">The container.</param>
    /// <param name="limit">For how long it is waited for all of them together.</param>
    /// <param name="isLast">Whether nothing warms up any more after this.</param>
    /// <param name="cancellationToken">Passed to the wind-downs.</param>
    /// <returns>What these threw.</returns>
    /// <exception cref="WindDownTimeoutException">Some did not end within the limit.</exception>
    public async Task<List<Exception>> UndoAsync(Container container, TimeSpan limit, bool isLast, CancellationToken cancellationToken)
    {
        await Turn.WaitAsync(cancellationToken).ConfigureAwait(false);
        try
        {
            WarmNode[] warm = _warm;
            _warm = [];
            _isClosed |= isLast;
            return await new WindDown(warm, container).RunAsync(limit, cancellationToken).ConfigureAwait(false);
        }
        finally
        {
            Turn.Release();
        }
    }

    private SemaphoreSlim Turn => _turn ?? Interlocked.CompareExchange(ref _turn, new SemaphoreSlim(1), null) ?? _turn;

    private static Task<List<Exception>> UndoAsync(Container container, IReadOnlyCollection<WarmNode> warm) =>
        new WindDown(warm, container).RunAsync(Timeout.InfiniteTimeSpan, CancellationToken.None);

    private static async Task<IReadOnlyCollection<WarmNode>> RunAsync(
        OrderedNode[] cold, Container container, CancellationToken cancellationToken)
    {
        Dictionary<Node, IReadOnlyList<Node>> dependencies = cold.ToDictionary(ordered => ordered.Node, ordered => ordered.Dependencies);
        ConcurrentQueue<WarmNode> warm = new();
        ConcurrentQueue<(string, Exception)> failures = new();
        using CancellationTokenSource stop = CancellationTokenSource.CreateLinkedTokenSource(cancellationToken);
        await StagedExecution.RunAsync(dependencies.Keys, node => dependencies[node], TryAsync).ConfigureAwait(false);
        if (warm.Count == cold.Length)
        {
            return warm;
        }

        List<Exception> undone = await UndoAsync(container, warm).ConfigureAwait(false);
        throw container.IsDisposed && failures.All(each => each.Item2 is ObjectDisposedException)
            ? DisposalFailures.AddTo(container.DisposedException(), undone.Count == 0 ? null : undone)
            : failures.IsEmpty && undone.Count == 0 ? new OperationCanceledException(cancellationToken)
            : new WarmUpException([.. failures], [.. warm.Select(each => each.Node.Name)], undone);

        async Task TryAsync(Node node)
        {
            StagedWork work = StagedWork.Begin(container, node, "warm-up");
            try
            {
                stop.Token.ThrowIfCancellationRequested();
                warm.Enqueue(await RunAsync(node, dependencies[node], container, stop.Token).ConfigureAwait(false));
            }
            catch (OperationCanceledException) when (stop.IsCancellationRequested)
            {
                // Another one failed, or nobody wants it any more.
            }
#pragma warning disable CA1031 // Whatever it is, it is told with the name of what failed.
            catch (Exception failure)
#pragma warning restore CA1031
            {
                failures.Enqueue((node.Name, failure));
                await stop.CancelAsync().ConfigureAwait(false);
            }
            finally
            {
                work.Finish();
            }
        }
    }

    private static async Task<WarmNode> RunAsync(
        Node node, IReadOnlyList<Node> dependencies, Container container, CancellationToken cancellationToken)
    {
        if (node.IsAsync)
        {
            await AsyncConstruction.CreateAsync(node, container, cancellationToken).ConfigureAwait(false);
        }

        object instance = Construction.Run(container.Plans.PlanOf(node), container);
        RegistrationData entry = WiringReader.EntryOf(node);
        if (entry.WarmUp is not null)
        {
            await entry.WarmUp(instance, cancellationToken).ConfigureAwait(false);
        }

        Func<CancellationToken, Task>? windDown = entry.WindDown is { } written ? stop => written(instance, stop) : null;
        if (entry.Background is null)
        {
            return new WarmNode(node, dependencies, windDown, null);
        }

        BackgroundRun background = new(node, instance, entry.Background, container);
        return new WarmNode(
            node, dependencies, stop => background.StopAsync(() => windDown?.Invoke(stop) ?? Task.CompletedTask), background);
    }
}
