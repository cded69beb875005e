namespace Junctivor.Runtime;

/// <summary>
/// Some owned instances, in the order of creation. The base class library's spans and lists of a structure of ours would have to be
/// compiled in each fresh process: it has code for its own structs only.
/// </summary>
internal readonly struct OwnedSlice(OwnedInstance[]? items, int start, int count)
{
    public OwnedSlice(params OwnedInstance[] items)
        : this(items, 0, items.Length)
    {
    }

    public int Count => count;

    public bool IsEmpty => count == 0;

    public ref readonly OwnedInstance this[int number] => ref items![start + number];

    public void CopyTo(OwnedInstance[] other, int at)
    {
        if (items is not null)
        {
            Array.Copy(items, start, other, at, count);
        }
    }

    /// <summary>A copy, from the last to the first.</summary>
    public OwnedInstance[] Reversed()
    {
        OwnedInstance[] reversed = new OwnedInstance[count];
        for (int number = 0; number < count; number++)
        {
            reversed[count - 1 - number] = this[number];
        }

        return reversed;
    }
}
