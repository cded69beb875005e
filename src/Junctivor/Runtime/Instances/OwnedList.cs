namespace Junctivor.Runtime;

/// <summary>What a container or scope has to dispose of. Its owner guards it.</summary>
internal struct OwnedList
{
    /// <summary>Up to how many are compared with each other; more are put into a set.</summary>
    private const int Few = 16;

    private OwnedInstance[]? _owned;
    private int _count;

    public void Add(OwnedSlice further)
    {
        if (further.IsEmpty)
        {
            return;
        }

        if (_owned is null)
        {
            _owned = new OwnedInstance[further.Count];
        }
        else if (_count + further.Count > _owned.Length)
        {
            OwnedInstance[] larger = new OwnedInstance[Math.Max(_count + further.Count, _owned.Length * 2)];
            Array.Copy(_owned, larger, _count);
            _owned = larger;
        }

        further.CopyTo(_owned, _count);
        _count += further.Count;
    }

    /// <summary>Gives all of it away, from the last to the first, each instance once.</summary>
    public OwnedSlice Take()
    {
        if (_count == 0)
        {
            return default;
        }

        OwnedInstance[] all = _owned!;
        int count = _count < 2 ? _count : BringInOrder(all, _count);
        _owned = null;
        _count = 0;
        return new OwnedSlice(all, 0, count);
    }

    /// <returns>How many are left.</returns>
    private static int BringInOrder(OwnedInstance[] all, int length)
    {
        if (IsAscending(all, length))
        {
            for (int low = 0, high = length - 1; low < high; low++, high--)
            {
                (all[low], all[high]) = (all[high], all[low]);
            }
        }
        else
        {
            SortDescending(all, length);
        }

        return WithoutDoubles(all, length);
    }

    private static void SortDescending(OwnedInstance[] all, int length) =>
        all.AsSpan(0, length).Sort((one, other) => other.Number.CompareTo(one.Number));

    private static int WithoutDoubles(OwnedInstance[] all, int length)
    {
        HashSet<object>? seen = length > Few ? new(length, ReferenceEqualityComparer.Instance) : null;
        int count = 0;
        for (int number = 0; number < length; number++)
        {
            OwnedInstance each = all[number];
            if (seen?.Add(each.Instance) ?? !Contains(all, count, each.Instance))
            {
                all[count++] = each;
            }
        }

        return count;
    }

    private static bool IsAscending(OwnedInstance[] owned, int length)
    {
        for (int number = 1; number < length; number++)
        {
            if (owned[number].Number < owned[number - 1].Number)
            {
                return false;
            }
        }

        return true;
    }

    private static bool Contains(OwnedInstance[] owned, int length, object instance)
    {
        for (int number = 0; number < length; number++)
        {
            if (ReferenceEquals(owned[number].Instance, instance))
            {
                return true;
            }
        }

        return false;
    }
}
