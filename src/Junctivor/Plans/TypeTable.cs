using System.Diagnostics.CodeAnalysis;

namespace Junctivor.Plans;

/// <summary>
/// The plans by the types that were asked for. Reading takes no lock, and is a few instructions: the table is at most a quarter full, and a
/// new one takes its place when something is added. Safe for use by several threads, of which one at a time adds.
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
            if (ReferenceEquals(entry.Type, type))
            {
                plan = entry.Plan;
                return true;
            }

            if (entry.Type is null)
            {
                plan = null;
                return false;
            }
        }
    }

    /// <summary>Adds a type that is not there yet.</summary>
    public void Add(Type type, Plan? plan)
    {
        Entry[] old = _entries;
        _count++;
        Entry[] entries = new Entry[_count * Spread <= old.Length ? old.Length : old.Length * 2];
        foreach (Entry entry in old)
        {
            if (entry.Type is not null)
            {
                Put(entries, entry);
            }
        }

        Put(entries, new Entry(type, plan));
        Volatile.Write(ref _entries, entries);
    }

    private static void Put(Entry[] entries, Entry entry)
    {
        int place = PlaceOf(entry.Type!, entries);
        while (entries[place].Type is not null)
        {
            place = (place + 1) & (entries.Length - 1);
        }

        entries[place] = entry;
    }

    private static int PlaceOf(Type type, Entry[] entries) =>
        (int)(((uint)(type.TypeHandle.Value >> 3) * Golden) >> 8) & (entries.Length - 1);

    [SuppressMessage("Performance", "CA1815", Justification = "It is never compared.")]
    private readonly struct Entry(Type? type, Plan? plan)
    {
        public Type? Type { get; } = type;

        public Plan? Plan { get; } = plan;
    }
}
