using System.Runtime.CompilerServices;
using Junctivor.Runtime;

namespace Junctivor;

/// <content>How a scope disposes its instances, in reverse order of creation.</content>
public abstract partial class Scope
{
    private const long AlreadyDisposed = -1;
    private const long NothingToDispose = -2;

    /// <summary>Disposes it synchronously, where no later call could dispose the rest: asynchronous disposals are started, and not
    /// awaited.</summary>
    /// <param name="isToldOf">Whether services that can be disposed only asynchronously count as failures.</param>
    /// <returns>The exceptions; null for none.</returns>
    internal List<Exception>? DisposeUnreachable(bool isToldOf)
    {
        if (State.IsPlain)
        {
            long word = Volatile.Read(ref Guard.Word);
            if (ScopeWord.HasOneToDispose(word) && Guard.TryBeginDisposal(word))
            {
                List<Exception>? failures = null;
                object? unended = DisposeOne(Await(ScopeWord.SlotAt(ScopeWord.OrderOf(word), 0)), ref failures);
                return unended is null && failures is null && TryCompleteDisposal()
                    ? null
                    : DisposeUnreachableRest(unended is null ? null : [unended], failures, isToldOf);
            }
        }

        long order = BeginDisposal();
        return order < 0 ? null : DisposeUnreachable(order, isToldOf);
    }

    private protected override void DisposeCore()
    {
        if (State.IsPlain)
        {
            long word = Volatile.Read(ref Guard.Word);
            if (ScopeWord.HasOneToDispose(word))
            {
                DisposeOnly(word);
                return;
            }

            if (Guard.TryDisposeEmpty())
            {
                return;
            }
        }

        long order = BeginDisposalOfSome();
        if (order >= 0)
        {
            DisposeSome(order);
        }
    }

    /// <summary>The same for a scope in which only one instance is to be disposed, as in most that have any.</summary>
    [MethodImpl(MethodImplOptions.NoInlining)]
    private void DisposeOnly(long word)
    {
        if (!Guard.TryBeginDisposal(word))
        {
            DisposeCore();
            return;
        }

        List<Exception>? failures = null;
        object? unended = DisposeOne(Await(ScopeWord.SlotAt(ScopeWord.OrderOf(word), 0)), ref failures);
        if (unended is not null || failures is not null || !TryCompleteDisposal())
        {
            DisposeRest(unended is null ? null : [unended], failures);
        }
    }

    [MethodImpl(MethodImplOptions.NoInlining)]
    private List<Exception>? DisposeUnreachable(long order, bool isToldOf)
    {
        List<Exception>? failures = null;
        List<object>? unended = DisposeSlots(order, ref failures);
        return unended is null && failures is null && TryCompleteDisposal()
            ? null
            : DisposeUnreachableRest(unended, failures, isToldOf);
    }

    private List<Exception>? DisposeUnreachableRest(List<object>? unended, List<Exception>? failures, bool isToldOf)
    {
        if (DisposeListed(unended, ref failures) is { } left)
        {
            InvalidOperationException told = Disposal.DisposeUnawaited(left, this);
            if (isToldOf)
            {
                (failures ??= []).Add(told);
            }
        }

        CompleteDisposal(Disposal.FailureOf(failures, Description));
        return failures;
    }

    [MethodImpl(MethodImplOptions.NoInlining)]
    private void DisposeSome(long order)
    {
        List<Exception>? failures = null;
        List<object>? unended = DisposeSlots(order, ref failures);
        if (unended is not null || failures is not null || !TryCompleteDisposal())
        {
            DisposeRest(unended, failures);
        }
    }

    private void DisposeRest(List<object>? unended, List<Exception>? failures)
    {
        if (DisposeListed(unended, ref failures) is { } left)
        {
            Disposal.Leave(left, this, ref failures);
        }

        FinishDisposal(failures);
    }

    /// <summary>Disposes what compiled code has created.</summary>
    /// <returns>What can be disposed only asynchronously, the newest first; null for nothing.</returns>
    private List<object>? DisposeSlots(long order, ref List<Exception>? failures)
    {
        List<object>? unended = null;
        for (int number = ScopeWord.CountOf(order) - 1; number >= 0; number--)
        {
            Keep(DisposeOne(Await(ScopeWord.SlotAt(order, number)), ref failures), ref unended);
        }

        return unended;
    }

    /// <summary>Disposes an instance, if there is one.</summary>
    /// <returns>The instance, if it can be disposed only asynchronously.</returns>
    private object? DisposeOne(object? created, ref List<Exception>? failures)
    {
        if (created is not IDisposable ending)
        {
            return created;
        }

        Exception? failure = null;
        try
        {
            ending.Dispose();
        }
#pragma warning disable CA1031 // The others must be ended too; this one is thrown at the end.
        catch (Exception thrown)
#pragma warning restore CA1031
        {
            (failures ??= []).Add(failure = thrown);
        }

        if (failure is not null || Root.IsObserved)
        {
            Disposal.Report(ending, this, failure, ref failures);
        }

        return null;
    }

    /// <summary>Disposes what the store has listed.</summary>
    /// <returns>What can be disposed only asynchronously, the newest first; null for nothing.</returns>
    private List<OwnedInstance>? DisposeListed(List<object>? unended, ref List<Exception>? failures)
    {
        List<OwnedInstance>? left = unended is null ? null : [.. unended.AsEnumerable().Reverse().Select(OwnedInstance.New).Reverse()];
        if (State.Store is { } store)
        {
            Disposal.Dispose(store.TakeOwned(), this, ref failures, ref left);
        }

        return left;
    }

    private static void Keep(object? created, ref List<object>? unended)
    {
        if (created is not null)
        {
            (unended ??= []).Add(created);
        }
    }

    private protected override ValueTask DisposeCoreAsync()
    {
        long order = BeginDisposal();
        if (order < 0)
        {
            return order == NothingToDispose ? ValueTask.CompletedTask : AwaitDisposalAsync();
        }

        if (!State.IsPlain && State.IsInjected)
        {
            return DisposeFromInsideAsync(order);
        }

        List<Exception>? failures = null;
        for (int number = ScopeWord.CountOf(order) - 1; number >= 0; number--)
        {
            if (Await(ScopeWord.SlotAt(order, number)) is { } created
                && !Disposal.TryDispose(created, this, ref failures, out ValueTask ending))
            {
                Guard.LeaveThread();
                return DisposeRestAsync(ending, created, order, number - 1, failures);
            }
        }

        if (failures is null && TryCompleteDisposal())
        {
            return ValueTask.CompletedTask;
        }

        Guard.LeaveThread();
        return DisposeRestAsync(default, null, 0, -1, failures);
    }

    /// <summary>Disposal of a scope that is injected into one of its services, which may dispose it in turn, and must not wait for
    /// itself.</summary>
    private async ValueTask DisposeFromInsideAsync(long order)
    {
        Disposal.GoInside(this);
        Guard.LeaveThread();
        await DisposeRestAsync(default, null, order, ScopeWord.CountOf(order) - 1, null).ConfigureAwait(false);
    }

    /// <summary>Disposal of a scope in which something is awaited.</summary>
    private async ValueTask DisposeRestAsync(ValueTask ending, object? created, long order, int next, List<Exception>? failures)
    {
        if (created is not null)
        {
            failures = await Disposal.AwaitDisposalAsync(ending, created, this, failures).ConfigureAwait(false);
        }

        for (int number = next; number >= 0; number--)
        {
            if (Await(ScopeWord.SlotAt(order, number)) is { } further)
            {
                failures = await Disposal.DisposeAsync(further, this, failures).ConfigureAwait(false);
            }
        }

        if (State.Store is { } store)
        {
            failures = await Disposal.DisposeAsync(store.TakeOwned(), this, failures).ConfigureAwait(false);
        }

        FinishDisposal(failures);
    }

    /// <summary>Waits for a disposal by somebody else, and disposes what that had to leave. A call from within that disposal does not
    /// wait.</summary>
    private async ValueTask AwaitDisposalAsync()
    {
        if (!Guard.IsDisposalComplete && !Guard.IsDisposedByCaller() && !Disposal.IsInside(this))
        {
            Task over = Store.Disposed;

            // Whoever ends it says so and only then looks who waits, without a barrier of its own: see BeOver.
            Interlocked.MemoryBarrierProcessWide();
            if (!Guard.IsDisposalComplete)
            {
                await over.ConfigureAwait(false);
            }
        }

        if (State.Store is { } store
            && Disposal.FailureOf(await Disposal.DisposeAsync(store.TakeOwned(), this).ConfigureAwait(false), Description) is { } failure)
        {
            throw failure;
        }
    }

    /// <returns>The slots that are to be disposed and are not listed in the store; <see cref="AlreadyDisposed"/> if somebody else has begun
    /// it;
    /// <see cref="NothingToDispose"/> if this completes it. A store that is created meanwhile is empty: a thread that enters one lists it
    /// in the word first.</returns>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    private long BeginDisposal() => State.IsPlain && Guard.TryDisposeEmpty() ? NothingToDispose : BeginDisposalOfSome();

    private long BeginDisposalOfSome()
    {
        if (!State.IsPlain)
        {
            State.Store?.TakeOver();
        }

        return Guard.TryBeginDisposal(out long order) ? order : AlreadyDisposed;
    }

    /// <summary>The usual case: nothing but the scope itself is left.</summary>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    private bool TryCompleteDisposal()
    {
        if (!State.IsPlain)
        {
            return false;
        }

        CompleteDisposal(null);
        return true;
    }

    /// <summary>
    /// Says that everything is disposed, to those who wait too. Nobody waits for a slot any more, so what is said of claims may be lost.
    /// Where there is nothing but the scope itself, this is to cost next to nothing: whoever begins to wait ensures that one of both sees
    /// the other.
    /// </summary>
    /// <param name="failure">What those get who wait; null if everything is disposed well.</param>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    private void CompleteDisposal(AggregateException? failure)
    {
        Guard.CompleteDisposal();
        if (!State.IsPlain)
        {
            ReportDisposed(failure);
        }
    }

    /// <summary>Says that everything is disposed, and throws what was thrown.</summary>
    private void FinishDisposal(List<Exception>? failures)
    {
        AggregateException? failure = Disposal.FailureOf(failures, Description);
        CompleteDisposal(failure);
        if (failure is not null)
        {
            throw failure;
        }
    }

    private void ReportDisposed(AggregateException? failure)
    {
        try
        {
            if (State.Trace is { } trace)
            {
                Observers.ScopeEnded(this, trace);
            }
        }
        finally
        {
            State.Store?.CompleteDisposal(failure);
        }
    }
}
