namespace Junctivor.Runtime;

/// <summary>What a container or scope has to dispose of. Its owner guards it.</summary>
internal struct OwnedList
{
    /// <summary>Up to how many are compared with each other; more are put into a set.</summary>
    private const int Few = 16;

    private OwnedInstance[]? _owned;
    private int _count;

    public void Add(ReadOnlySpan<OwnedInstance> further)
    {
        _owned ??= [];
        if (_count + further.Length > _owned.Length)
        {
            Array.Resize(ref _owned, Math.Max(_count + further.Length, _owned.Length * 2));
        }

        further.CopyTo(_owned.AsSpan(_count));
        _count += further.Length;
    }

    /// <summary>Takes all out: each once, the newest first.</summary>
    public ReadOnlyMemory<OwnedInstance> Take()
    {
        if (_count == 0)
        {
            return default;
        }

        Memory<OwnedInstance> all = _owned.AsMemory(0, _count);
        _owned = null;
        _count = 0;
        return all.Length < 2 ? all : InOrder(all);
    }

    private static Memory<OwnedInstance> InOrder(Memory<OwnedInstance> owned)
    {
        Span<OwnedInstance> all = owned.Span;
        if (IsAscending(all))
        {
            all.Reverse();
        }
        else
        {
            all.Sort((one, other) => other.Number.CompareTo(one.Number));
        }

        HashSet<object>? seen = all.Length > Few ? new(all.Length, ReferenceEqualityComparer.Instance) : null;
        int count = 0;
        foreach (OwnedInstance each in all)
        {
            if (seen?.Add(each.Instance) ?? !Contains(all[..count], each.Instance))
            {
                all[count++] = each;
            }
        }

        return owned[..count];
    }

    private static bool IsAscending(ReadOnlySpan<OwnedInstance> owned)
    {
        for (int number = 1; number < owned.Length; number++)
        {
            if (owned[number].Number < owned[number - 1].Number)
            {
                return false;
            }
        }

        return true;
    }

    private static bool Contains(ReadOnlySpan<OwnedInstance> owned, object instance)
    {
        foreach (OwnedInstance each in owned)
        {
            if (ReferenceEquals(each.Instance, instance))
            {
                return true;
            }
        }

        return false;
    }
}
