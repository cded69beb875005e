using Junctivor.Plans;

namespace Junctivor.Runtime;

/// <summary>
/// The shared instances of one container or scope, and what it has to end. Reading takes no lock. The gate is held for
/// moments only, never while something is made, so two unrelated services never wait for each other.
/// </summary>
internal sealed class InstanceStore
{
    private readonly Lock _gate = new();
    private readonly Dictionary<Plan, Claim> _claims = [];
    private object?[] _instances = [];
    private List<Owned> _owned = [];
    private volatile bool _hasEnded;

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
        lock (_gate)
        {
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

            if (!_claims.TryGetValue(plan, out claim))
            {
                isNew = true;
                _claims.Add(plan, claim = new Claim(plan));
            }

            return null;
        }
    }

    /// <summary>Keeps a finished instance and what was made for it.</summary>
    /// <returns>False if the store has ended meanwhile; then it keeps nothing.</returns>
    public bool Keep(Plan plan, object instance, IReadOnlyCollection<Owned> made)
    {
        lock (_gate)
        {
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
            _owned.AddRange(made);
            return true;
        }
    }

    /// <summary>Takes on what was made for somebody outside.</summary>
    /// <returns>False if the store has ended meanwhile; then it takes nothing.</returns>
    public bool Own(IReadOnlyCollection<Owned> made)
    {
        lock (_gate)
        {
            if (_hasEnded)
            {
                return false;
            }

            _owned.AddRange(made);
            return true;
        }
    }

    /// <summary>The maker is done, or has failed.</summary>
    public void Release(Claim claim)
    {
        lock (_gate)
        {
            _claims.Remove(claim.Plan);
        }

        claim.End();
    }

    /// <summary>Ends the store.</summary>
    /// <returns>What is to be ended, the newest first; nothing if that was handed out before.</returns>
    public IReadOnlyList<Owned> End()
    {
        lock (_gate)
        {
            _hasEnded = true;
            _instances = [];
            List<Owned> owned = _owned;
            _owned = [];
            owned.Sort((one, other) => other.Number.CompareTo(one.Number));
            return [.. owned.DistinctBy(made => made.Instance, ReferenceEqualityComparer.Instance)];
        }
    }

    /// <summary>Takes back what could not be ended yet, for another try.</summary>
    public void TakeBack(IEnumerable<Owned> unended)
    {
        lock (_gate)
        {
            _owned.AddRange(unended);
        }
    }
}
