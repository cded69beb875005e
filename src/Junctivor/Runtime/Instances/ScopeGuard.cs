using System.Numerics;
using System.Runtime.CompilerServices;

namespace Junctivor.Runtime;

/// <summary>
/// The word of a container or scope (see <see cref="ScopeWord"/>), with every step that changes it. Each step is one compare-and-swap, but
/// for the last, which nobody has to see at once: docs/decisions/0001-memory-model.md says why that holds. Safe for use by several threads.
/// </summary>
internal struct ScopeGuard
{
    /// <summary>Compiled code claims slots of an unused scope right here.</summary>
    internal long Word;

    /// <summary>Whether nothing can be resolved any more.</summary>
    public readonly bool IsDisposed => Word < 0;

    /// <summary>Whether disposal is complete.</summary>
    public bool IsDisposalComplete => (Volatile.Read(ref Word) & ScopeWord.Disposed) != 0;

    /// <summary>Claims a slot.</summary>
    /// <returns>False if it is claimed already, or disposal has begun.</returns>
    public bool TryClaim(int slot)
    {
        long word = Volatile.Read(ref Word);
        while (word >= 0 && (word & ScopeWord.Claimed(slot)) == 0)
        {
            long known = word;
            word = Interlocked.CompareExchange(ref Word, known | ScopeWord.Claimed(slot), known);
            if (word == known)
            {
                return true;
            }
        }

        return false;
    }

    /// <summary>Claims slots that are about to be filled without an interruption: by constructors that neither fail nor take long nor
    /// resolve.</summary>
    /// <param name="scope">The scope that the slots belong to.</param>
    /// <param name="slots">The slots as bits.</param>
    /// <param name="order">Those of them to dispose, in the order of creation.</param>
    /// <returns>False if they must be filled step by step. Otherwise those that are still empty are claimed.</returns>
    public bool TryClaim(Scope scope, long slots, long order)
    {
        while (true)
        {
            long word = Volatile.Read(ref Word);
            if (word < 0)
            {
                return false;
            }

            long claimed = word & slots;
            if (claimed != 0)
            {
                if (FilledOf(scope, claimed) != claimed)
                {
                    return false;
                }

                order = ScopeWord.Without(order, claimed);
                slots &= ~claimed;
            }

            long next = ScopeWord.With(word, slots, order);
            if (next == -1)
            {
                return false;
            }

            if (Interlocked.CompareExchange(ref Word, next, word) == word)
            {
                return true;
            }
        }
    }

    /// <summary>Returns back claims of which nothing has come. Slots that have been filled stay claimed.</summary>
    public void GiveBack(Scope scope, long slots)
    {
        slots &= ~FilledOf(scope, slots);
        long word = Volatile.Read(ref Word);
        for (long known = ~word; known != word;)
        {
            known = word;
            word = Interlocked.CompareExchange(ref Word, ScopeWord.GivingBack(known, slots), known);
        }
    }

    /// <summary>Whether a slot is filled, or about to be.</summary>
    public bool IsClaimed(int slot) => (Volatile.Read(ref Word) & ScopeWord.Claimed(slot)) != 0;

    /// <summary>The same, before disposal has begun.</summary>
    public bool IsClaimedBeforeDisposal(int slot) => Volatile.Read(ref Word) is >= 0 and long word && (word & ScopeWord.Claimed(slot)) != 0;

    /// <summary>Takes the order of disposal out of the word, as from now on a list has it.</summary>
    /// <returns>The order, as <see cref="ScopeWord"/> keeps it; 0 if disposal has begun.</returns>
    public long TakeOrder()
    {
        long word = Volatile.Read(ref Word);
        while (word >= 0)
        {
            long known = word;
            word = Interlocked.CompareExchange(ref Word, ScopeWord.Listing(known), known);
            if (word == known)
            {
                return ScopeWord.OrderOf(known);
            }
        }

        return 0;
    }

    /// <summary>Begins and completes disposal in one step, if nothing is to be disposed.</summary>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    public bool TryDisposeEmpty()
    {
        long word = Volatile.Read(ref Word);
        return ScopeWord.HasNothingToDispose(word) && Interlocked.CompareExchange(ref Word, ScopeWord.FullyDisposed, word) == word;
    }

    /// <summary>Begins disposal, unless the word has changed.</summary>
    /// <param name="known">The word, of a scope that has something to dispose.</param>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    public bool TryBeginDisposal(long known) =>
        Interlocked.CompareExchange(ref Word, ScopeWord.BeginDisposalBy(known, ControlFlow.Id), known) == known;

    /// <summary>Begins disposal: nothing is claimed from now on.</summary>
    /// <param name="order">What is to be disposed and in no list.</param>
    /// <returns>False if somebody else has begun it.</returns>
    public bool TryBeginDisposal(out long order)
    {
        long word = Volatile.Read(ref Word);
        while (word >= 0)
        {
            long known = word;
            order = ScopeWord.OrderOf(known);
            word = Interlocked.CompareExchange(
                ref Word, order == 0 ? ScopeWord.BeginDisposal(known) : ScopeWord.BeginDisposalBy(known, ControlFlow.Id), known);
            if (word == known)
            {
                return true;
            }
        }

        order = 0;
        return false;
    }

    /// <summary>Whether this flow of control is disposing right now.</summary>
    public bool IsDisposedByCaller() => ScopeWord.IsDisposedBy(Volatile.Read(ref Word), ControlFlow.Id);

    /// <summary>The thread goes on with something else while disposal takes its time.</summary>
    public void LeaveThread()
    {
        long word = Volatile.Read(ref Word);
        for (long known = ~word; known != word;)
        {
            known = word;
            word = Interlocked.CompareExchange(ref Word, ScopeWord.Awaiting(known), known);
        }
    }

    /// <summary>Refuses further calls, for a container, which has no slots.</summary>
    public void Close() => Volatile.Write(ref Word, ScopeWord.Disposing);

    /// <summary>
    /// Disposal is complete. Nobody waits for a slot any more, so what is said of claims may be lost. This is to cost next to nothing: a
    /// thread that begins to wait ensures that one of both sees the other.
    /// </summary>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    public void CompleteDisposal() => Volatile.Write(ref Word, ScopeWord.FullyDisposed);

    /// <summary>Those of some slots that have been filled.</summary>
    private static long FilledOf(Scope scope, long slots)
    {
        long filled = 0;
        for (long left = slots; left != 0; left &= left - 1)
        {
            if (Volatile.Read(ref scope.SlotOf(BitOperations.TrailingZeroCount(left))) is not null)
            {
                filled |= left & -left;
            }
        }

        return filled;
    }
}
