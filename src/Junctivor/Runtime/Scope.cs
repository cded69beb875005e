using System.Diagnostics;
using Junctivor.Graph;
using Junctivor.Runtime;

namespace Junctivor;

/// <summary>
/// One unit of work: a request, a message, a job; or a scope of a level of your own around them. Its scoped services are created at most
/// once, and disposed with it. All members are safe for use by several threads.
/// </summary>
[DebuggerDisplay("{DebuggerText,nq}")]
public abstract partial class Scope : Resolver
{
    private protected Scope(ResolverState state)
        : base(state)
    {
    }

    /// <summary>The level of your own that this is a scope of; null for the default level.</summary>
    public ScopeLevel? Level => State.UsersLevel;

    /// <summary>The activity of the scope; null if nothing listens.</summary>
    internal Activity? Activity => State.Trace?.Activity;

    internal override InstanceStore Store => State.Store ?? CreateStore();

    internal override string Description => Level is null ? "the scope" : $"the scope of the level {Level}";

    private string DebuggerText => $"{(Level is null ? "Scope" : $"Scope of the level {Level}")}{(IsDisposed ? ", disposed" : "")}";

    private protected override string Kind => nameof(Scope);

    /// <summary>A scoped instance belongs to this scope and to none around it; an instance of a level, to the nearest scope of that
    /// level.</summary>
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

    internal override object? Find(int slot) => IsDisposed ? null
        : HasSlot(slot) ? Volatile.Read(ref SlotOf(slot))
        : State.Store?.Find(slot);

    /// <summary>Whether the scope itself keeps the instance, and not the store.</summary>
    internal bool HasSlot(int slot) => slot < State.Slots;

    internal ref object? SlotOf(int slot) => ref ScopeSizes.SlotOf(this, slot);

    /// <summary>
    /// The instance in a slot that was claimed to be filled without an interruption: another thread does so at this moment, which takes no
    /// longer than an allocation. Null if its constructor threw.
    /// </summary>
    internal object? Await(int slot) => Volatile.Read(ref SlotOf(slot)) ?? AwaitLong(slot);

    /// <summary>Waits until a slot that was claimed is filled, or free again, or disposal has begun.</summary>
    internal void AwaitClaimed(int slot)
    {
        SpinWait wait = default;
        while (Volatile.Read(ref SlotOf(slot)) is null && Guard.IsClaimedBeforeDisposal(slot))
        {
            wait.SpinOnce();
        }
    }

    /// <summary>Reports the start to observers and listeners.</summary>
    internal void ReportStart() => State.Trace = Observers.Started(this, State.Level.Name);

    /// <summary>Makes its activity the current one, so that work in the scope belongs to it. The caller is an asynchronous method, at whose
    /// end the former activity is current again.</summary>
    internal void BecomeCurrent()
    {
        if (Activity is { } activity)
        {
            Activity.Current = activity;
        }
    }

    /// <summary>Injects the scope into one of its own services.</summary>
    internal Scope Injected()
    {
        for (ResolverState state = State; !state.IsInjected; state = State)
        {
            TryChange(state, state with { IsPlain = false, IsInjected = true });
        }

        return this;
    }

    private object? AwaitLong(int slot)
    {
        SpinWait wait = default;
        while (Volatile.Read(ref SlotOf(slot)) is null && Guard.IsClaimed(slot))
        {
            wait.SpinOnce();
        }

        return Volatile.Read(ref SlotOf(slot));
    }

    private InstanceStore CreateStore()
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
}
