using System.Runtime.CompilerServices;
using System.Runtime.InteropServices;

namespace Junctivor.Plans;

/// <summary>
/// The plans by the types that were asked for. Reading takes no lock, and is a few instructions: the table is at most a quarter full. What is
/// added shows when it is whole. A table twice as long takes the place of one that is full, which is emptied: whoever still reads it finds
/// nothing, and asks for the new one. Safe for use by several threads, of which one at a time changes it.
/// </summary>
internal sealed class TypeTable
{
    private const int Spread = 4;
    private const uint Golden = 2_654_435_769;

    private Entry[] _entries = new Entry[Spread * Spread];
    private int _count;
    private bool _isShut;

    /// <summary>What is known by now.</summary>
    public Entry[] Entries => Volatile.Read(ref _entries);

    /// <summary>Finds the place of a type; a place without a type where it is not known.</summary>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    public static ref Entry Find(Entry[] entries, Type type)
    {
        int last = entries.Length - 1;
        for (int place = PlaceOf(type, last); ; place = (place + 1) & last)
        {
            ref Entry entry = ref Unsafe.Add(ref MemoryMarshal.GetArrayDataReference(entries), place);
            Type? known = Volatile.Read(ref entry.Type);
            if (ReferenceEquals(known, type) || known is null)
            {
                return ref entry;
            }
        }
    }

    /// <summary>Adds a type, or what has become known of it; a table that is shut stays empty.</summary>
    public void Put(Type type, Plan plan)
    {
        if (_isShut)
        {
            return;
        }

        ref Entry known = ref Find(_entries, type);
        if (known.Type is not null)
        {
            known.Instance = plan.Ready;
            return;
        }

        if (++_count * Spread > _entries.Length)
        {
            Grow();
        }

        Add(_entries, type, plan);
    }

    /// <summary>Empties it, and keeps it so until it is opened.</summary>
    public void Shut()
    {
        _isShut = true;
        _count = 0;
        Array.Clear(_entries);
    }

    public void Open() => _isShut = false;

    private void Grow()
    {
        Entry[] old = _entries;
        Entry[] larger = new Entry[old.Length * 2];
        foreach (Entry entry in old)
        {
            if (entry.Type is not null)
            {
                Add(larger, entry.Type, entry.Plan!);
            }
        }

        Volatile.Write(ref _entries, larger);
        Array.Clear(old);
    }

    private static void Add(Entry[] entries, Type type, Plan plan)
    {
        ref Entry entry = ref Find(entries, type);
        entry.Plan = plan;
        entry.Instance = plan.Ready;
        Volatile.Write(ref entry.Type, type);
    }

    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    private static int PlaceOf(Type type, int last) => (int)(((uint)(type.TypeHandle.Value >> 3) * Golden) >> 8) & last;

    /// <summary>One that has a type and a plan is whole; one without a plan is being emptied.</summary>
    internal struct Entry
    {
        public Type? Type;

        /// <summary>The plan; <see cref="Plan.Nobodys"/> where it is known that nobody registers the type.</summary>
        public Plan? Plan;

        /// <summary>The singleton, if it is one and there.</summary>
        public object? Instance;
    }
}
