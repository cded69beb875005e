using System.Diagnostics;
using System.Numerics;
using System.Runtime.CompilerServices;
using Junctivor.Graph;
using Junctivor.Runtime;

namespace Junctivor;

/// <summary>
/// One unit of work: a request, a message, a job; or a scope of a level of your own around them. Everything that belongs
/// to it is made at most once in it, and ends with it. All members are safe for use by several threads.
/// </summary>
public abstract class Scope : Resolver
{
    private const long AlreadyEnded = -1;
    private const long NothingToEnd = -2;

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
    /// <returns>False if it is claimed already, or the scope has ended.</returns>
    internal bool TryClaim(int slot)
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

    /// <summary>Gives a claim of the store back.</summary>
    internal void Release(int slot) => GiveBack(ScopeWord.Claimed(slot));

    /// <summary>Gives claims back of which nothing has come. Slots that have been filled stay claimed.</summary>
    internal void GiveBack(long slots)
    {
        for (long filled = slots; filled != 0; filled &= filled - 1)
        {
            if (Volatile.Read(ref SlotOf(BitOperations.TrailingZeroCount(filled))) is not null)
            {
                slots &= ~(filled & -filled);
            }
        }

        long word = Volatile.Read(ref Word);
        for (long known = ~word; known != word;)
        {
            known = word;
            word = Interlocked.CompareExchange(ref Word, ScopeWord.GivingBack(known, slots), known);
        }
    }

    /// <summary>Gives to the store what was made in one go and is to be ended; from now on the store lists what is.</summary>
    /// <returns>The slots, as <see cref="ScopeWord"/> keeps them.</returns>
    internal long HandToStore()
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

    /// <summary>Ends it synchronously, where nobody could come back for what can end only asynchronously: that begins to end, and nobody waits for it.</summary>
    /// <param name="isToldOf">Whether what can end only asynchronously is among the failures.</param>
    /// <returns>What was thrown; null where nothing was.</returns>
    internal List<Exception>? EndUnreachable(bool isToldOf)
    {
        long order = BeginEnd();
        return order < 0 ? null : EndUnreachable(order, isToldOf);
    }

    private protected override void EndNow()
    {
        long order = BeginEnd();
        if (order >= 0)
        {
            End(order);
        }
    }

    [MethodImpl(MethodImplOptions.NoInlining)]
    private List<Exception>? EndUnreachable(long order, bool isToldOf)
    {
        List<Exception>? failures = null;
        List<object>? unended = EndSlots(order, ref failures);
        if (unended is null && failures is null && TryBeOver())
        {
            return null;
        }

        if (EndFurther(unended, ref failures) is { } left)
        {
            InvalidOperationException told = Disposal.DisposeUnawaited(left, this);
            if (isToldOf)
            {
                (failures ??= []).Add(told);
            }
        }

        BeOver(Disposal.FailureOf(failures, Description));
        return failures;
    }

    [MethodImpl(MethodImplOptions.NoInlining)]
    private void End(long order)
    {
        List<Exception>? failures = null;
        List<object>? unended = EndSlots(order, ref failures);
        if (unended is null && failures is null && TryBeOver())
        {
            return;
        }

        if (EndFurther(unended, ref failures) is { } left)
        {
            Disposal.Leave(left, this, ref failures);
        }

        FinishEnd(failures);
    }

    /// <summary>Ends what was made in one go.</summary>
    /// <returns>What can end only asynchronously, the newest first; null where there is nothing.</returns>
    private List<object>? EndSlots(long order, ref List<Exception>? failures)
    {
        List<object>? unended = null;
        bool isObserved = Root.IsObserved;
        for (int number = ScopeWord.CountOf(order) - 1; number >= 0; number--)
        {
            object? made = Await(ScopeWord.SlotAt(order, number));
            if (made is not IDisposable ending)
            {
                Keep(made, ref unended);
                continue;
            }

            Exception? failure = null;
            try
            {
                ending.Dispose();
            }
#pragma warning disable CA1031 // The others must be ended too; this one is thrown at the end.
            catch (Exception thrown)
#pragma warning restore CA1031
            {
                (failures ??= []).Add(failure = thrown);
            }

            if (isObserved || failure is not null)
            {
                Disposal.Report(ending, this, failure, ref failures);
            }
        }

        return unended;
    }

    /// <summary>Ends what the store has listed.</summary>
    /// <returns>What can end only asynchronously, the newest first; null where there is nothing.</returns>
    private List<OwnedInstance>? EndFurther(List<object>? unended, ref List<Exception>? failures)
    {
        List<OwnedInstance>? left = unended is null ? null : [.. unended.AsEnumerable().Reverse().Select(OwnedInstance.New).Reverse()];
        if (State.Store is { } store)
        {
            Disposal.End(store.End(), this, ref failures, ref left);
        }

        return left;
    }

    private static void Keep(object? made, ref List<object>? unended)
    {
        if (made is not null)
        {
            (unended ??= []).Add(made);
        }
    }

    private protected override ValueTask EndNowAsync()
    {
        long order = BeginEnd();
        if (order < 0)
        {
            return order == NothingToEnd ? ValueTask.CompletedTask : EndAgainAsync();
        }

        if (!State.IsPlain && State.IsGivenInside)
        {
            return EndAroundAsync(order);
        }

        List<Exception>? failures = null;
        for (int number = ScopeWord.CountOf(order) - 1; number >= 0; number--)
        {
            if (Await(ScopeWord.SlotAt(order, number)) is { } made && !Disposal.TryDispose(made, this, ref failures, out ValueTask ending))
            {
                BeAwaited();
                return EndRestAsync(ending, made, order, number - 1, failures);
            }
        }

        if (failures is null && TryBeOver())
        {
            return ValueTask.CompletedTask;
        }

        BeAwaited();
        return EndRestAsync(default, null, 0, -1, failures);
    }

    /// <summary>The end of a scope that one of its services was given: that one may ask for the end in its turn, and is not to wait for itself.</summary>
    private async ValueTask EndAroundAsync(long order)
    {
        Disposal.GoInside(this);
        BeAwaited();
        await EndRestAsync(default, null, order, ScopeWord.CountOf(order) - 1, null).ConfigureAwait(false);
    }

    /// <summary>The end of a scope in which something takes its time to end.</summary>
    private async ValueTask EndRestAsync(ValueTask ending, object? made, long order, int next, List<Exception>? failures)
    {
        if (made is not null)
        {
            failures = await Disposal.AwaitDisposalAsync(ending, made, this, failures).ConfigureAwait(false);
        }

        for (int number = next; number >= 0; number--)
        {
            if (Await(ScopeWord.SlotAt(order, number)) is { } further)
            {
                failures = await Disposal.EndAsync(further, this, failures).ConfigureAwait(false);
            }
        }

        if (State.Store is { } store)
        {
            failures = await Disposal.EndAsync(store.End(), this, failures).ConfigureAwait(false);
        }

        FinishEnd(failures);
    }

    /// <summary>Waits for the end that somebody else is at, and ends what that had to leave. Who is part of that end does not wait for itself.</summary>
    private async ValueTask EndAgainAsync()
    {
        if (!IsOver && !ScopeWord.IsEndedBy(Volatile.Read(ref Word), ControlFlow.Id) && !Disposal.IsInside(this))
        {
            Task over = Store.Over;

            // Whoever ends it says so and only then looks who waits, without a barrier of its own: see BeOver.
            Interlocked.MemoryBarrierProcessWide();
            if (!IsOver)
            {
                await over.ConfigureAwait(false);
            }
        }

        if (State.Store is { } store && Disposal.FailureOf(await Disposal.EndAsync(store.End(), this).ConfigureAwait(false), Description) is { } failure)
        {
            throw failure;
        }
    }

    /// <summary>The thread goes on with something else while the end takes its time.</summary>
    private void BeAwaited()
    {
        long word = Volatile.Read(ref Word);
        for (long known = ~word; known != word;)
        {
            known = word;
            word = Interlocked.CompareExchange(ref Word, ScopeWord.Awaiting(known), known);
        }
    }

    private bool IsOver => (Volatile.Read(ref Word) & ScopeWord.Over) != 0;

    /// <returns>The slots that are to be ended and not listed in the store; <see cref="AlreadyEnded"/> where somebody else is at it, or was;
    /// <see cref="NothingToEnd"/> where everything has ended by this. A store that is made meanwhile is empty: whoever enters one lists it in the word first.</returns>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    private long BeginEnd()
    {
        long word = Volatile.Read(ref Word);
        return State.IsPlain && ScopeWord.HasNothingToEnd(word) && Interlocked.CompareExchange(ref Word, ScopeWord.AllOver, word) == word
            ? NothingToEnd
            : BeginEndOfSome();
    }

    private long BeginEndOfSome()
    {
        if (!State.IsPlain)
        {
            State.Store?.TakeOver();
        }

        long word = Volatile.Read(ref Word);
        while (word >= 0)
        {
            long known = word;
            long order = ScopeWord.OrderOf(known);
            word = Interlocked.CompareExchange(ref Word, order == 0 ? ScopeWord.Ending(known) : ScopeWord.EndingBy(known, ControlFlow.Id), known);
            if (word == known)
            {
                return order;
            }
        }

        return AlreadyEnded;
    }

    /// <summary>Where nothing but the scope itself is left to end, as mostly.</summary>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    private bool TryBeOver()
    {
        if (!State.IsPlain)
        {
            return false;
        }

        BeOver(null);
        return true;
    }

    /// <summary>
    /// Says that everything has ended, to those who wait too. Nobody waits for a slot any more, so what is said of claims may be lost. Where there
    /// is nothing but the scope itself, this is to cost next to nothing: whoever begins to wait makes sure that one of both sees the other.
    /// </summary>
    /// <param name="failure">What those get who wait; null where everything has ended well.</param>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    private void BeOver(AggregateException? failure)
    {
        Volatile.Write(ref Word, ScopeWord.AllOver);
        if (!State.IsPlain)
        {
            TellOver(failure);
        }
    }

    /// <summary>Says that everything has ended, and throws what was thrown.</summary>
    private void FinishEnd(List<Exception>? failures)
    {
        AggregateException? failure = Disposal.FailureOf(failures, Description);
        BeOver(failure);
        if (failure is not null)
        {
            throw failure;
        }
    }

    private void TellOver(AggregateException? failure)
    {
        try
        {
            if (State.Trace is { } trace)
            {
                Watch.Ended(this, trace);
            }
        }
        finally
        {
            State.Store?.BeOver(failure);
        }
    }

    /// <summary>Gives the scope to one of its own services.</summary>
    internal Scope Given()
    {
        for (ResolverState state = State; !state.IsGivenInside; state = State)
        {
            TryChange(state, state with { IsPlain = false, IsGivenInside = true });
        }

        return this;
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
    /// to allocate. Null where nothing has come of it.
    /// </summary>
    internal object? Await(int slot) => Volatile.Read(ref SlotOf(slot)) ?? AwaitLong(slot);

    private object? AwaitLong(int slot)
    {
        SpinWait wait = default;
        while (Volatile.Read(ref SlotOf(slot)) is null && (Volatile.Read(ref Word) & ScopeWord.Claimed(slot)) != 0)
        {
            wait.SpinOnce();
        }

        return Volatile.Read(ref SlotOf(slot));
    }

    /// <summary>Waits until a slot that was claimed in one go is filled, or free again, or the scope has ended.</summary>
    internal void AwaitClaimed(int slot)
    {
        SpinWait wait = default;
        while (Volatile.Read(ref SlotOf(slot)) is null && Volatile.Read(ref Word) is >= 0 and long word && (word & ScopeWord.Claimed(slot)) != 0)
        {
            wait.SpinOnce();
        }
    }
}
