using Junctivor.Graph;

namespace Junctivor.Runtime;

/// <summary>
/// The shared instances of one container or scope, and what it has to dispose. Reading takes no lock. The gate is held for
/// moments only, never while something is created, so two unrelated services never wait for each other. A scope keeps instances in its own
/// slots as far as it has some; then this one knows who creates them, where that may take long, and what has to be disposed.
/// </summary>
/// <param name="scope">The scope that it belongs to; null for a container.</param>
internal sealed class InstanceStore(Scope? scope)
{
    private object?[] _instances = [];
    private OwnedList _owned;
    private readonly Claims _claims = new();
    private volatile bool _isClosed;
    private TaskCompletionSource? _over;
    private bool _hasTakenOver = scope is null;

    /// <summary>Held for a few instructions only, and never while user code runs; not read-only, as it is a value that changes.</summary>
    private SpinLock _gate = new(enableThreadOwnerTracking: false);

    private bool IsClosed => _isClosed || scope is { IsDisposed: true };

    /// <summary>An instance that is kept here, and not by the scope.</summary>
    public object? Find(int slot)
    {
        object?[] instances = Volatile.Read(ref _instances);
        return slot < instances.Length ? Volatile.Read(ref instances[slot]) : null;
    }

    /// <summary>Finds the instance, or else who is making it: the caller itself, if nobody was.</summary>
    /// <returns>The instance; null with a claim where there is none yet; null without one where the store is disposed.</returns>
    public object? FindOrClaim(Plan plan, out Claim? claim, out bool isNew)
    {
        using Hold hold = new(this);
        claim = null;
        isNew = false;
        bool isScopes = IsScopes(plan);
        while (!IsClosed)
        {
            if ((isScopes ? scope!.Find(plan.Slot) : Find(plan.Slot)) is { } instance)
            {
                return instance;
            }

            claim = _claims.Find(plan);
            if (claim is not null)
            {
                return null;
            }

            if (!isScopes || scope!.Guard.TryClaim(plan.Slot))
            {
                isNew = true;
                _claims.Add(claim = new Claim(plan));
                return null;
            }

            scope.AwaitClaimed(plan.Slot);
        }

        return null;
    }

    /// <summary>Keeps a finished instance and what was created for it, and lets those go on who wait for it.</summary>
    /// <returns>False if the store is disposed meanwhile; then it keeps nothing.</returns>
    public bool Keep(Plan plan, object instance, OwnedSlice created, Claim? claim)
    {
        using (new Hold(this))
        {
            if (IsClosed)
            {
                return false;
            }

            Volatile.Write(ref IsScopes(plan) ? ref scope!.SlotOf(plan.Slot) : ref Room(plan.Slot), instance);
            if (plan.Level == Level.Singleton)
            {
                plan.BeReady(instance);
            }

            if (!created.IsEmpty)
            {
                _owned.Add(created);
            }

            if (claim is not null)
            {
                _claims.Remove(claim);
            }
        }

        claim?.Complete();
        return true;
    }

    /// <summary>Takes on what was created for somebody outside.</summary>
    /// <returns>False if the store is disposed meanwhile; then it takes nothing.</returns>
    public bool Own(OwnedSlice created)
    {
        using Hold hold = new(this);
        if (IsClosed)
        {
            return false;
        }

        _owned.Add(created);
        return true;
    }

    /// <summary>The maker has failed.</summary>
    public void Release(Claim claim)
    {
        using (new Hold(this))
        {
            _claims.Remove(claim);
            if (IsScopes(claim.Plan))
            {
                scope!.Guard.GiveBack(scope, ScopeWord.Claimed(claim.Plan.Slot));
            }
        }

        claim.Complete();
    }

    /// <summary>Lists what the scope has created in one go, before anything else is listed.</summary>
    public void TakeOver()
    {
        if (Volatile.Read(ref _hasTakenOver))
        {
            return;
        }

        using Hold hold = new(this);
    }

    /// <summary>Completes when everything in the scope is disposed, with what was thrown.</summary>
    public Task Disposed
    {
        get
        {
            TaskCompletionSource known = _over ?? new(TaskCreationOptions.RunContinuationsAsynchronously);
            return (Interlocked.CompareExchange(ref _over, known, null) ?? known).Task;
        }
    }

    /// <summary>Tells those who wait that everything is disposed.</summary>
    public void CompleteDisposal(AggregateException? failure)
    {
        if (Volatile.Read(ref _over) is { } over)
        {
            _ = failure is null ? over.TrySetResult() : over.TrySetException(failure);
        }
    }

    /// <summary>Ends the store.</summary>
    /// <returns>What is to be disposed, the newest first; nothing if that was handed out before.</returns>
    public OwnedSlice TakeOwned()
    {
        using Hold hold = new(this);
        _isClosed = true;
        _instances = [];
        return _owned.Take();
    }

    /// <summary>Takes back what could not be ended yet, for another try.</summary>
    public void TakeBack(IEnumerable<OwnedInstance> unended)
    {
        using Hold hold = new(this);
        _owned.Add(new OwnedSlice([.. unended]));
    }

    private void TakeOverOnce()
    {
        if (!_hasTakenOver)
        {
            long order = scope!.Guard.TakeOrder();
            for (int number = 0; number < ScopeWord.CountOf(order); number++)
            {
                if (scope.Await(ScopeWord.SlotAt(order, number)) is { } created)
                {
                    _owned.Add(new OwnedSlice(OwnedInstance.New(created)));
                }
            }

            Volatile.Write(ref _hasTakenOver, true);
        }
    }

    /// <summary>Whether the scope itself keeps the instance.</summary>
    private bool IsScopes(Plan plan) => scope is not null && scope.HasSlot(plan.Slot);

    private ref object? Room(int slot)
    {
        if (slot >= _instances.Length)
        {
            object?[] larger = new object?[Math.Max(slot + 1, _instances.Length * 2)];
            _instances.CopyTo(larger, 0);
            Volatile.Write(ref _instances, larger);
        }

        return ref _instances[slot];
    }

    /// <summary>Holds the gate from its creation to its disposal.</summary>
    private readonly ref struct Hold
    {
        private readonly InstanceStore _store;

        public Hold(InstanceStore store)
        {
            bool isHeld = false;
            store._gate.Enter(ref isHeld);
            _store = store;
            try
            {
                store.TakeOverOnce();
            }
            catch
            {
                Dispose();
                throw;
            }
        }

        public void Dispose() => _store._gate.Exit(useMemoryBarrier: true);
    }
}
