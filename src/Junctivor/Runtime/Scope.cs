using System.Diagnostics;
using System.Numerics;
using System.Runtime.CompilerServices;
using Junctivor.Graph;
using Junctivor.Runtime;
using Junctivor.Telemetry;

namespace Junctivor;

/// <summary>
/// One unit of work: a request, a message, a job; or a scope of a level of your own around them. Everything that belongs
/// to it is made at most once in it, and ends with it. All members are safe for use by several threads.
/// </summary>
public abstract class Scope : Resolver
{
    /// <summary>Far longer than it takes to allocate a few objects.</summary>
    private static readonly TimeSpan LongestFill = TimeSpan.FromSeconds(30);

    private protected Scope(ResolverState state)
        : base(state)
    {
    }

    /// <summary>The level of your own that this is a scope of; null for the default level.</summary>
    public ScopeLevel? Level => State.UsersLevel;

    /// <summary>The activity that stands for it; null if nobody wanted one.</summary>
    internal Activity? Activity => State.Trace?.Activity;

    internal override InstanceStore Store => State.Store ?? MakeStore();

    internal override string Description => Level is null ? "the scope" : $"the scope of the level {Level}";

    private protected override string Kind => nameof(Scope);

    /// <summary>Something scoped belongs to this scope and to none around it; something of a level, to the nearest one of it.</summary>
    internal override Resolver? HomeOf(Level level)
    {
        if (level.IsTransient || level == State.Level)
        {
            return this;
        }

        return level == Graph.Level.Singleton ? Root
            : level == Graph.Level.Scoped ? null
            : Outer!.HomeOf(level);
    }

    internal override bool CanStart(Level level) =>
        level == Graph.Level.Scoped || (level.Within is not null && level.Within == State.Level);

    internal override object? Find(int slot) => IsEnded ? null
        : HasSlot(slot) ? Volatile.Read(ref SlotOf(slot))
        : State.Store?.Find(slot);

    /// <summary>Whether the scope itself keeps the instance, and not the store.</summary>
    internal bool HasSlot(int slot) => slot < State.Slots;

    internal ref object? SlotOf(int slot) => ref ScopeSizes.SlotOf(this, slot);

    /// <summary>Claims a slot for the store.</summary>
    /// <returns>False if it is claimed already.</returns>
    internal bool TryClaim(int slot) => (Interlocked.Or(ref Word, ScopeWord.Claimed(slot)) & ScopeWord.Claimed(slot)) == 0;

    /// <summary>Gives a claim of the store back.</summary>
    internal void Release(int slot) => Interlocked.And(ref Word, ~ScopeWord.Claimed(slot));

    /// <summary>Gives to the store what was made in one go and is to be ended; from now on the store lists what is.</summary>
    /// <returns>The slots, as <see cref="ScopeWord"/> keeps them.</returns>
    internal long HandToStore()
    {
        long word;
        do
        {
            word = Volatile.Read(ref Word);
        }
        while (Interlocked.CompareExchange(ref Word, ScopeWord.Listing(word), word) != word);

        return ScopeWord.OrderOf(word);
    }

    /// <summary>
    /// Claims slots for what is about to be made in one go: only by constructors that can neither fail nor take long nor resolve anything.
    /// </summary>
    /// <param name="slots">The slots as bits.</param>
    /// <param name="order">Those of them to end, in the order in which they are made.</param>
    /// <returns>False if it must be made step by step. Otherwise those that are still empty are claimed.</returns>
    internal bool TryClaim(long slots, long order)
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
                if (!AreMade(claimed))
                {
                    return false;
                }

                order = Without(order, claimed);
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

    /// <summary>It starts: tells those who want to know.</summary>
    internal void BeWatched() => State.Trace = Watch.Started(this, State.Level.Name);

    /// <summary>Makes its activity the current one, so that what is done in the scope belongs to it. The caller is an asynchronous method,
    /// at whose end that is over.</summary>
    internal void BecomeCurrent()
    {
        if (Activity is { } activity)
        {
            Activity.Current = activity;
        }
    }

    private protected override void EndNow()
    {
        bool isFirst = BeginEnd(out long order);
        if (order != 0 || !State.IsPlain)
        {
            End(order, isFirst);
        }
    }

    [MethodImpl(MethodImplOptions.NoInlining)]
    private void End(long order, bool isFirst)
    {
        List<Exception>? failures = null;
        bool isObserved = Root.IsObserved;
        for (int number = ScopeWord.CountOf(order) - 1; number >= 0; number--)
        {
            object? made = Await(ScopeWord.SlotAt(order, number));
            if (made is not IDisposable ending)
            {
                Leave(made);
                continue;
            }

            try
            {
                ending.Dispose();
                if (isObserved)
                {
                    Watch.Disposed(ending, this, null);
                }
            }
#pragma warning disable CA1031 // The others must be ended too; this one is thrown at the end.
            catch (Exception failure)
#pragma warning restore CA1031
            {
                (failures ??= []).Add(failure);
                Watch.Disposed(ending, this, failure);
            }
        }

        if (!State.IsPlain)
        {
            EndStore(isFirst, ref failures);
        }

        if (failures is not null)
        {
            throw Ending.Failed(failures, Description);
        }
    }

    /// <summary>Leaves to the store what can end only asynchronously.</summary>
    private void Leave(object? made)
    {
        if (made is not null)
        {
            Store.TakeBack([Owned.New(made)]);
        }
    }

    private void EndStore(bool isFirst, ref List<Exception>? failures)
    {
        if (State.Store is { } store)
        {
            Ending.End(store.End(), this, ref failures);
        }

        FinishEnd(isFirst);
    }

    private protected override ValueTask EndNowAsync()
    {
        bool isFirst = BeginEnd(out long order);
        List<Exception>? failures = null;
        for (int number = ScopeWord.CountOf(order) - 1; number >= 0; number--)
        {
            if (Await(ScopeWord.SlotAt(order, number)) is { } made && !Ending.TryEndAtOnce(made, this, ref failures, out ValueTask ending))
            {
                return EndRestAsync(ending, made, order, number - 1, isFirst, failures);
            }
        }

        if (!State.IsPlain)
        {
            return EndRestAsync(default, null, 0, -1, isFirst, failures);
        }

        return failures is null ? ValueTask.CompletedTask : ValueTask.FromException(Ending.Failed(failures, Description));
    }

    /// <summary>The end of a scope in which something takes its time to end.</summary>
    private async ValueTask EndRestAsync(ValueTask ending, object? made, long order, int next, bool isFirst, List<Exception>? failures)
    {
        if (made is not null)
        {
            failures = await Ending.EndedAsync(ending, made, this, failures).ConfigureAwait(false);
        }

        for (int number = next; number >= 0; number--)
        {
            if (Await(ScopeWord.SlotAt(order, number)) is { } further)
            {
                failures = await Ending.EndAsync(further, this, failures).ConfigureAwait(false);
            }
        }

        if (State.Store is { } store)
        {
            failures = await Ending.EndAsync(store.End(), this, failures).ConfigureAwait(false);
        }

        FinishEnd(isFirst);
        Ending.ThrowIfAny(failures, Description);
    }

    /// <param name="order">The slots that are to be ended and not listed in the store.</param>
    /// <returns>Whether this is the first call.</returns>
    private bool BeginEnd(out long order)
    {
        if (!State.IsPlain)
        {
            State.Store?.TakeOver();
        }

        long word = Interlocked.Exchange(ref Word, ScopeWord.Ended | ScopeWord.Listed);
        order = ScopeWord.OrderOf(word);
        return word >= 0;
    }

    private void FinishEnd(bool isFirst)
    {
        if (isFirst && State.Trace is { } trace)
        {
            Watch.Ended(this, trace);
        }
    }

    private InstanceStore MakeStore()
    {
        while (true)
        {
            ResolverState state = State;
            if (state.Store is { } store)
            {
                return store;
            }

            store = new InstanceStore(this);
            if (TryChange(state, state with { IsPlain = false, Store = store }))
            {
                return store;
            }
        }
    }

    private bool AreMade(long slots)
    {
        for (; slots != 0; slots &= slots - 1)
        {
            if (Volatile.Read(ref SlotOf(BitOperations.TrailingZeroCount(slots))) is null)
            {
                return false;
            }
        }

        return true;
    }

    /// <summary>
    /// What is in a slot that was claimed to be filled in one go: another thread does so at this moment, which takes no longer than it takes
    /// to allocate. It could be null only where that thread ran out of memory.
    /// </summary>
    internal object? Await(int slot) => Volatile.Read(ref SlotOf(slot)) ?? AwaitLong(slot);

    private object? AwaitLong(int slot)
    {
        SpinWait.SpinUntil(() => Volatile.Read(ref SlotOf(slot)) is not null, LongestFill);
        return Volatile.Read(ref SlotOf(slot));
    }

    private static long Without(long order, long claimed)
    {
        long kept = 0;
        for (int number = 0; number < ScopeWord.CountOf(order); number++)
        {
            int slot = ScopeWord.SlotAt(order, number);
            if ((claimed & ScopeWord.Claimed(slot)) == 0)
            {
                kept = ScopeWord.Append(kept, slot);
            }
        }

        return kept;
    }
}
