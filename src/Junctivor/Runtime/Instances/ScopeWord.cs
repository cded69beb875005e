using System.Numerics;

namespace Junctivor.Runtime;

/// <summary>
/// The word by which a scope guards itself: who has claimed which slot, in which order those were created that are to be disposed, and
/// whether it has ended. Everything in it changes in one step, so that nothing has to be locked.
/// <code language="text">
///  63      62       61     30..59                              0..29
///  ended   listed   over   the slots to dispose, 5 bits each,      the slots that are claimed:
///                          the first created in the lowest        they have an instance, or get one
/// </code>
/// A claim that is given back, as what was to fill the slot threw, is gone from the lowest bits, whether the scope is disposed or not; so
/// whoever waits for a slot knows when nothing will come. Once it is disposed, the bits of the order say which flow of control is at the
/// end right now. What holds at each moment, and why nobody sees less, is written down in docs/decisions/0001-memory-model.md.
/// </summary>
internal static class ScopeWord
{
    /// <summary>How many slots there can be.</summary>
    public const int MostSlots = 30;

    /// <summary>Nothing can be resolved any more.</summary>
    public const long Disposing = 1L << 63;

    /// <summary>What is to be disposed is in the list of the store, and not here.</summary>
    public const long Listed = 1L << 62;

    /// <summary>Everything in it is disposed: nobody is at it any more.</summary>
    public const long Disposed = 1L << 61;

    /// <summary>The last word of each scope.</summary>
    public const long FullyDisposed = Disposing | Listed | Disposed;

    private const int OrderAt = MostSlots;
    private const int OrderBits = 5;

    /// <summary>How many there can be that are to be disposed, before they are listed by the store.</summary>
    public const int MostOrdered = 6;

    private const long OrderMask = (1L << (OrderBits * MostOrdered)) - 1;
    private const long SlotMask = (1L << MostSlots) - 1;

    public static long Claimed(int slot) => 1L << slot;

    /// <summary>Adds a slot behind those that are to be disposed.</summary>
    /// <returns>The order; -1 if there are too many.</returns>
    public static long Append(long order, int slot)
    {
        int count = CountOf(order);
        return count == MostOrdered ? -1 : order | ((slot + 1L) << (count * OrderBits));
    }

    /// <summary>The slots to dispose, to be read with <see cref="CountOf"/> and <see cref="SlotAt"/>; of a scope that has not
    /// ended.</summary>
    public static long OrderOf(long word) => (word >> OrderAt) & OrderMask;

    /// <summary>Whether the scope has not ended, and nothing is to be disposed, here or in a list.</summary>
    public static bool HasNothingToDispose(long word) => (word & (Disposing | Listed | (OrderMask << OrderAt))) == 0;

    /// <summary>Whether the scope has not ended, and exactly one slot is to be disposed, and none in a list.</summary>
    public static bool HasOneToDispose(long word) =>
        (ulong)((word & (Disposing | Listed | (OrderMask << OrderAt))) >> OrderAt) is > 0 and < 1UL << OrderBits;

    public static int CountOf(long order) => order == 0 ? 0 : (BitOperations.Log2((ulong)order) / OrderBits) + 1;

    /// <summary>The word of a scope that ends, where nothing is to be disposed that the word knows.</summary>
    public static long BeginDisposal(long word) => Disposing | Listed | (word & SlotMask);

    /// <summary>The word of a scope that a flow of control has begun to dispose.</summary>
    public static long BeginDisposalBy(long word, int flow) => BeginDisposal(word) | ((flow & OrderMask) << OrderAt);

    /// <summary>The word of a scope whose end is awaited, so that nobody is at it right now.</summary>
    public static long Awaiting(long word) => word & ~(OrderMask << OrderAt);

    /// <summary>Whether this flow of control is at the end.</summary>
    public static bool IsDisposedBy(long word, int flow) => OrderOf(word) == (flow & OrderMask);

    /// <summary>The word when what is to be disposed has gone to the list of the store.</summary>
    public static long Listing(long word) => (word | Listed) & ~(OrderMask << OrderAt);

    /// <summary>The word when claims are given back, as nothing has come of them.</summary>
    public static long GivingBack(long word, long slots) => word < 0
        ? word & ~slots
        : (word & ~slots & ~(OrderMask << OrderAt)) | (Without(OrderOf(word), slots) << OrderAt);

    /// <summary>Some of the slots to dispose, without the others.</summary>
    /// <param name="order">The slots to dispose.</param>
    /// <param name="slots">Those to leave out, as bits.</param>
    public static long Without(long order, long slots)
    {
        long kept = 0;
        for (int number = 0; number < CountOf(order); number++)
        {
            int slot = SlotAt(order, number);
            if ((slots & Claimed(slot)) == 0)
            {
                kept = Append(kept, slot);
            }
        }

        return kept;
    }

    /// <param name="order">The order.</param>
    /// <param name="number">Which one, the first created having 0.</param>
    public static int SlotAt(long order, int number) => (int)((order >> (number * OrderBits)) & ((1 << OrderBits) - 1)) - 1;

    /// <summary>The word with further claims.</summary>
    /// <param name="word">The word.</param>
    /// <param name="slots">Those that are claimed, as bits.</param>
    /// <param name="order">Those of them to dispose, in the order in which they will be created.</param>
    /// <returns>The word; -1 if more are to be disposed than fit, or if those are listed.</returns>
    public static long With(long word, long slots, long order)
    {
        long known = OrderOf(word);
        int count = CountOf(known);
        return order != 0 && (count + CountOf(order) > MostOrdered || (word & Listed) != 0)
            ? -1
            : word | slots | (order << (OrderAt + (count * OrderBits)));
    }
}
