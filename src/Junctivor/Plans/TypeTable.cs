namespace Junctivor.Plans;

/// <summary>
/// The plans by the types that were asked for. Reading takes no lock, and is a few instructions: the table is at most a quarter full. What is
/// added shows when it is whole; a table twice as long takes the place of one that is full. Safe for use by several threads, of which one at a
/// time adds.
/// </summary>
internal sealed class TypeTable
{
    private const int Spread = 4;
    private const uint Golden = 2_654_435_769;

    private Entry[] _entries = new Entry[Spread * Spread];
    private int _count;

    /// <param name="type">What is asked for.</param>
    /// <param name="plan">The plan; null where it is known that nobody registers the type.</param>
    /// <returns>Whether the type was asked for before.</returns>
    public bool TryGet(Type type, out Plan? plan)
    {
        Entry[] entries = Volatile.Read(ref _entries);
        for (int place = PlaceOf(type, entries); ; place = (place + 1) & (entries.Length - 1))
        {
            ref readonly Entry entry = ref entries[place];
            Type? known = Volatile.Read(in entry.Type);
            if (ReferenceEquals(known, type))
            {
                plan = entry.Plan;
                return true;
            }

            if (known is null)
            {
                plan = null;
                return false;
            }
        }
    }

    /// <summary>Adds a type that is not there yet.</summary>
    public void Add(Type type, Plan? plan)
    {
        if (++_count * Spread > _entries.Length)
        {
            Entry[] larger = new Entry[_entries.Length * 2];
            foreach (Entry entry in _entries)
            {
                if (entry.Type is not null)
                {
                    Put(larger, entry.Type, entry.Plan);
                }
            }

            Volatile.Write(ref _entries, larger);
        }

        Put(_entries, type, plan);
    }

    private static void Put(Entry[] entries, Type type, Plan? plan)
    {
        int place = PlaceOf(type, entries);
        while (entries[place].Type is not null)
        {
            place = (place + 1) & (entries.Length - 1);
        }

        entries[place].Plan = plan;
        Volatile.Write(ref entries[place].Type, type);
    }

    private static int PlaceOf(Type type, Entry[] entries) =>
        (int)(((uint)(type.TypeHandle.Value >> 3) * Golden) >> 8) & (entries.Length - 1);

    /// <summary>One that has a type is whole.</summary>
    private struct Entry
    {
        public Type? Type;
        public Plan? Plan;
    }
}
