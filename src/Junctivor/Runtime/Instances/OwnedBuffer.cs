namespace Junctivor.Runtime;

/// <summary>Collects owned instances of one construction. For one thread.</summary>
internal sealed class OwnedBuffer
{
    private const int First = 4;

    private OwnedInstance[]? _items;

    public int Count { get; private set; }

    public void Add(OwnedInstance item)
    {
        if (_items is null)
        {
            _items = new OwnedInstance[First];
        }
        else if (Count == _items.Length)
        {
            OwnedInstance[] larger = new OwnedInstance[Count * 2];
            Array.Copy(_items, larger, Count);
            _items = larger;
        }

        _items[Count++] = item;
    }

    /// <summary>What was added from a count on; valid until the next change.</summary>
    public OwnedSlice Since(int before) => new(_items, before, Count - before);

    /// <summary>Leaves only as many as there were.</summary>
    public void CutTo(int count)
    {
        if (count < Count)
        {
            Array.Clear(_items!, count, Count - count);
            Count = count;
        }
    }
}
