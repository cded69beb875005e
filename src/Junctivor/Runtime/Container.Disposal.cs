using Junctivor.Checks;
using Junctivor.Graph;
using Junctivor.Reading;
using Junctivor.Runtime;

namespace Junctivor;

/// <content>How a container disposes its singletons, after winding down.</content>
public sealed partial class Container
{
    private protected override void DisposeCore()
    {
        DisposalPass own = new(isAsynchronous: false);
        if (Interlocked.CompareExchange(ref _disposal, own, null) is not null)
        {
            return;
        }

        AggregateException? failure = null;
        CheckReport? cold = ReportOfColdWork();
        try
        {
            if (_warmUp.Pending is { Count: > 0 } pending)
            {
                throw new InvalidOperationException(
                    $"{string.Join(", ", pending)} must be wound down asynchronously: write `await using` for the container, or await "
                        + "WindDownAsync() first. Nothing was disposed.");
            }

            bool isFirst = ReleasePlans();
            List<Exception>? failures = null;
            List<OwnedInstance>? left = null;
            Disposal.Dispose(Store.TakeOwned(), this, ref failures, ref left);
            if (left is not null)
            {
                Disposal.Leave(left, this, ref failures);
            }

            LeavePlugins(isFirst);
            failure = Disposal.FailureOf(failures, Description);
        }
        finally
        {
            Volatile.Write(ref _disposal, null);
            own.Complete(failure);
        }

        ThrowIfAny(failure);
        PassOn(cold);
    }

    private protected override ValueTask DisposeCoreAsync()
    {
        StagedWork.ThrowIfInside(this, nameof(DisposeAsync));
        return Disposal.IsInside(this) ? ValueTask.CompletedTask : new ValueTask(DisposeOnceAsync());
    }

    /// <summary>A call during a disposal awaits that one; a later call disposes what was left.</summary>
    private async Task DisposeOnceAsync()
    {
        DisposalPass own = new(isAsynchronous: true);
        while (Interlocked.CompareExchange(ref _disposal, own, null) is { } other)
        {
            await other.Task.ConfigureAwait(ConfigureAwaitOptions.SuppressThrowing);
            if (other.IsAsynchronous)
            {
                ThrowIfAny(other.Failure);
                return;
            }
        }

        AggregateException? failure = null;
        CheckReport? cold = ReportOfColdWork();
        try
        {
            failure = await DisposePassAsync().ConfigureAwait(false);
        }
        finally
        {
            Volatile.Write(ref _disposal, null);
            own.Complete(failure);
        }

        ThrowIfAny(failure);
        PassOn(cold);
    }

    private async Task<AggregateException?> DisposePassAsync()
    {
        Disposal.GoInside(this);
        List<Exception> failures =
            await _warmUp.UndoAsync(this, Timeout.InfiniteTimeSpan, isLast: true, CancellationToken.None).ConfigureAwait(false);
        bool isFirst = ReleasePlans();
        List<Exception>? all = await Disposal.DisposeAsync(Store.TakeOwned(), this, failures).ConfigureAwait(false);
        LeavePlugins(isFirst);
        return Disposal.FailureOf(all, Description);
    }

    /// <summary>What was used and not warmed up, where somebody wants to know; null if there is nothing to report.</summary>
    private CheckReport? ReportOfColdWork()
    {
        if (_options.OnReport is null || _warmUp.HasRun || Volatile.Read(ref _plans) is not { } plans)
        {
            return null;
        }

        IReadOnlyList<Node> cold = [.. plans.AsyncOrder.WarmingUp()
            .Select(ordered => ordered.Node)
            .Where(node => WiringReader.EntryOf(node) is { WarmUp: not null } or { Background: not null }
                && Find(plans.PlanFor(node.AsBinding).Slot) is not null)];
        return cold.Count == 0 ? null : _options.ToReport(plans.Graph, [NotWarmedUpFaults.Of(plans.Graph, cold)]);
    }

    private void PassOn(CheckReport? cold)
    {
        if (cold is { All.Count: > 0 })
        {
            _options.OnReport!(cold);
        }
    }

    private static void ThrowIfAny(AggregateException? failure)
    {
        if (failure is not null)
        {
            throw failure;
        }
    }

    /// <summary>Releases the plans; returns whether this is the first call.</summary>
    private bool ReleasePlans()
    {
        Close();
        return Interlocked.Exchange(ref _plans, null) is not null;
    }

    private void LeavePlugins(bool isFirst)
    {
        if (isFirst)
        {
            Interlocked.Exchange(ref _plugins, null)?.Leave();
        }
    }
}
