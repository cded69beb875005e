using Junctivor.Graph;
using Junctivor.Plans;

namespace Junctivor.Runtime;

/// <summary>
/// The shared instances of one container or scope, and what it has to end. Reading takes no lock. The gate is held for
/// moments only, never while something is made, so two unrelated services never wait for each other.
/// </summary>
internal sealed class InstanceStore
{
    private object?[] _instances = [];
    private Owned[] _owned = [];
    private int _ownedCount;
    private Claim? _claims;
    private volatile bool _hasEnded;

    /// <summary>Held for a few instructions only, and never while user code runs; not read-only, as it is a value that changes.</summary>
    private SpinLock _gate = new(enableThreadOwnerTracking: false);

    public bool HasEnded => _hasEnded;

    public object? Find(int slot)
    {
        object?[] instances = Volatile.Read(ref _instances);
        return slot < instances.Length ? Volatile.Read(ref instances[slot]) : null;
    }

    /// <summary>Finds the instance, or else who is making it: the caller itself, if nobody was.</summary>
    /// <returns>The instance; null with a claim where there is none yet; null without one where the store has ended.</returns>
    public object? FindOrClaim(Plan plan, out Claim? claim, out bool isNew)
    {
        bool isHeld = false;
        try
        {
            _gate.Enter(ref isHeld);
            claim = null;
            isNew = false;
            if (_hasEnded)
            {
                return null;
            }

            if (Find(plan.Slot) is { } instance)
            {
                return instance;
            }

            for (claim = _claims; claim is not null && claim.Plan != plan; claim = claim.Next)
            {
            }

            if (claim is null)
            {
                isNew = true;
                _claims = claim = new Claim(plan) { Next = _claims };
            }

            return null;
        }
        finally
        {
            Leave(isHeld);
        }
    }

    /// <summary>Keeps a finished instance and what was made for it, and lets those go on who wait for it.</summary>
    /// <returns>False if the store has ended meanwhile; then it keeps nothing.</returns>
    public bool Keep(Plan plan, object instance, ReadOnlySpan<Owned> made, Claim? claim)
    {
        bool isHeld = false;
        try
        {
            _gate.Enter(ref isHeld);
            if (_hasEnded)
            {
                return false;
            }

            int slot = plan.Slot;
            if (slot >= _instances.Length)
            {
                object?[] larger = new object?[Math.Max(slot + 1, _instances.Length * 2)];
                _instances.CopyTo(larger, 0);
                Volatile.Write(ref _instances, larger);
            }

            Volatile.Write(ref _instances[slot], instance);
            if (plan.Level == Level.Singleton)
            {
                plan.Ready = instance;
            }

            Add(made);
            if (claim is not null)
            {
                Remove(claim);
            }
        }
        finally
        {
            Leave(isHeld);
        }

        claim?.End();
        return true;
    }

    /// <summary>Takes on what was made for somebody outside.</summary>
    /// <returns>False if the store has ended meanwhile; then it takes nothing.</returns>
    public bool Own(ReadOnlySpan<Owned> made)
    {
        bool isHeld = false;
        try
        {
            _gate.Enter(ref isHeld);
            if (_hasEnded)
            {
                return false;
            }

            Add(made);
            return true;
        }
        finally
        {
            Leave(isHeld);
        }
    }

    /// <summary>The maker has failed.</summary>
    public void Release(Claim claim)
    {
        bool isHeld = false;
        try
        {
            _gate.Enter(ref isHeld);
            Remove(claim);
        }
        finally
        {
            Leave(isHeld);
        }

        claim.End();
    }

    /// <summary>Ends the store.</summary>
    /// <returns>What is to be ended, the newest first; nothing if that was handed out before.</returns>
    public ReadOnlyMemory<Owned> End()
    {
        bool isHeld = false;
        try
        {
            _gate.Enter(ref isHeld);
            _hasEnded = true;
            _instances = [];
            Memory<Owned> owned = _owned.AsMemory(0, _ownedCount);
            _owned = [];
            _ownedCount = 0;
            return owned.Length < 2 ? owned : InOrder(owned);
        }
        finally
        {
            Leave(isHeld);
        }
    }

    /// <summary>Takes back what could not be ended yet, for another try.</summary>
    public void TakeBack(IEnumerable<Owned> unended)
    {
        bool isHeld = false;
        try
        {
            _gate.Enter(ref isHeld);
            Add([.. unended]);
        }
        finally
        {
            Leave(isHeld);
        }
    }

    private void Leave(bool isHeld)
    {
        if (isHeld)
        {
            _gate.Exit(useMemoryBarrier: true);
        }
    }

    private static Memory<Owned> InOrder(Memory<Owned> owned)
    {
        owned.Span.Sort((one, other) => other.Number.CompareTo(one.Number));
        HashSet<object> seen = new(owned.Length, ReferenceEqualityComparer.Instance);
        int count = 0;
        foreach (Owned each in owned.Span)
        {
            if (seen.Add(each.Instance))
            {
                owned.Span[count++] = each;
            }
        }

        return owned[..count];
    }

    private void Add(ReadOnlySpan<Owned> made)
    {
        if (_ownedCount + made.Length > _owned.Length)
        {
            Array.Resize(ref _owned, Math.Max(_ownedCount + made.Length, _owned.Length * 2));
        }

        made.CopyTo(_owned.AsSpan(_ownedCount));
        _ownedCount += made.Length;
    }

    private void Remove(Claim claim)
    {
        if (_claims == claim)
        {
            _claims = claim.Next;
            return;
        }

        Claim before = _claims!;
        while (before.Next != claim)
        {
            before = before.Next!;
        }

        before.Next = claim.Next;
    }
}
