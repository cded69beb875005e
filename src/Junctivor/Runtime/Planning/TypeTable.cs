using System.Runtime.CompilerServices;
using System.Runtime.InteropServices;

namespace Junctivor.Runtime;

/// <summary>
/// The plans by the types that were resolved. Reading takes no lock, and is a few instructions: the table is at most a quarter full. What
/// is added shows when it is whole. A table twice as long takes the place of one that is full, which is emptied: whoever still reads it
/// finds nothing, and resolves the new one. Safe for use by several threads, of which one at a time changes it.
/// </summary>
/// <remarks>
/// What holds at each moment, and all that a reader relies on: in one array, a place belongs to one type for ever. It goes from empty to
/// that type once, its handle being written last, and from that type to nothing at most once, when the array is given up; an array that was
/// given up is never filled again. So whoever has seen the handle can find, in the same place, only what belongs to that type, or null.
/// See docs/decisions/0001-memory-model.md.
/// </remarks>
internal sealed class TypeTable
{
    private const int Spread = 4;
    private const uint Golden = 2_654_435_769;

    private Entry[] _entries = new Entry[Spread * Spread];
    private int _count;
    private bool _isShut;

    /// <summary>What is known by now.</summary>
    public Entry[] Entries => Volatile.Read(ref _entries);

    /// <summary>The place where a type stands first of all, by its handle: mostly it does, and otherwise it is looked for.</summary>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    public static ref Entry First(Entry[] entries, nint handle) =>
        ref Unsafe.Add(ref MemoryMarshal.GetArrayDataReference(entries), PlaceOf(handle, entries.Length - 1));

    /// <summary>Finds the place of a type by its handle; another one where it is not known, on which somebody may put another type at this
    /// moment: whoever reads on asks whose it is.</summary>
    public static ref Entry Find(Entry[] entries, nint handle)
    {
        int last = entries.Length - 1;
        for (int place = PlaceOf(handle, last); ; place = (place + 1) & last)
        {
            ref Entry entry = ref Unsafe.Add(ref MemoryMarshal.GetArrayDataReference(entries), place);
            nint known = Volatile.Read(ref entry.Handle);
            if (known == handle || known == 0)
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

        nint handle = type.TypeHandle.Value;
        ref Entry known = ref Find(_entries, handle);
        if (known.Handle != 0)
        {
            Fill(ref known, handle, plan);
            return;
        }

        if (++_count * Spread > _entries.Length)
        {
            Grow();
        }

        Add(_entries, handle, plan);
    }

    /// <summary>Empties it, and keeps it so until it is opened.</summary>
    public void Shut()
    {
        _isShut = true;
        _count = 0;
        Replace(new Entry[Spread * Spread]);
    }

    public void Open() => _isShut = false;

    private void Grow()
    {
        Entry[] larger = new Entry[_entries.Length * 2];
        foreach (Entry entry in _entries)
        {
            if (entry.Handle != 0)
            {
                Add(larger, entry.Handle, entry.Plan!);
            }
        }

        Replace(larger);
    }

    /// <summary>Returns the array up: nobody finds anything there any more.</summary>
    private void Replace(Entry[] other)
    {
        Entry[] old = _entries;
        Volatile.Write(ref _entries, other);
        Array.Clear(old);
    }

    private static void Add(Entry[] entries, nint handle, Plan plan)
    {
        ref Entry entry = ref Find(entries, handle);
        entry.Plan = plan;
        Fill(ref entry, handle, plan);
        Volatile.Write(ref entry.Handle, handle);
    }

    private static void Fill(ref Entry entry, nint handle, Plan plan)
    {
        entry.Instance = plan.Ready;
        entry.Code = plan.Ready is null ? plan.Code ?? StepByStep(handle, plan) : null;
    }

    private static PlanCode StepByStep(nint handle, Plan plan)
    {
        Type service = Type.GetTypeFromHandle(RuntimeTypeHandle.FromIntPtr(handle))!;
        return plan == Plan.Unregistered
            ? (home, _) => home.ThrowUnregistered(service)
            : (home, _) => home.ResolveStepByStep(service, plan);
    }

    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    private static int PlaceOf(nint handle, int last) => (int)(((uint)(handle >> 3) * Golden) >> 8) & last;

    /// <summary>One that has a handle is whole, unless it is being emptied: then anything else in it may be null.</summary>
    internal struct Entry
    {
        /// <summary>The handle of the type; 0 if there is none.</summary>
        public nint Handle;

        /// <summary>The plan; <see cref="Plan.Unregistered"/> where it is known that the type is not registered.</summary>
        public Plan? Plan;

        /// <summary>The singleton, if it is one and there.</summary>
        public object? Instance;

        /// <summary>Creates it: its code, or step by step as long as there is none; null if the instance is there.</summary>
        public PlanCode? Code;
    }
}
