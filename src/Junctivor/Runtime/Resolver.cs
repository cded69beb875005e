using System.Diagnostics.CodeAnalysis;
using System.Runtime.CompilerServices;
using Junctivor.Checks;
using Junctivor.Graph;
using Junctivor.Runtime;

namespace Junctivor;

/// <summary>
/// What a <see cref="Container"/> and a <see cref="Scope"/> share: resolving, starting scopes, ending.
/// All members are safe for use by several threads.
/// </summary>
[SuppressMessage("Usage", "CA1816", Justification = "Nobody else can derive from it, and there is no finalizer.")]
public abstract partial class Resolver : IAsyncDisposable, IDisposable
{
    private ResolverState _state;

    private protected Resolver(ResolverState state) => _state = state;

    /// <summary>For a container, which makes its own.</summary>
    private protected Resolver() => _state = null!;

    /// <summary>Says at once what has been claimed, made and ended here: see <see cref="ScopeWord"/>.</summary>
    internal long Word;

    internal ResolverState State => _state;

    /// <summary>How many services have a slot here.</summary>
    internal int Slots => _state.Slots;

    /// <summary>Whether nothing can be resolved from here any more.</summary>
    internal bool IsEnded => Word < 0;

    /// <summary>The plans; let go at the end, so that nothing keeps the types of a plug-in.</summary>
    internal PlanCache Plans => Root.OwnPlans;

    internal Container Root => _state.Root;

    /// <summary>What this is nested in; null for a container.</summary>
    internal Resolver? Outer => _state.Outer;

    internal SuppliedValues Values => _state.Values;

    /// <summary>Whether the start of a scope of the default level awaits anything.</summary>
    internal bool AwaitsScopes => Plans.AsyncNodesOf(Level.Scoped).Count > 0;

    /// <summary>Who is told what happens; the same for a container and all its scopes.</summary>
    internal ContainerObservers Watch => Root.OwnWatch;

    /// <summary>Knows what is being made step by step, and what is to be ended of that.</summary>
    internal abstract InstanceStore Store { get; }

    /// <summary>How messages call it, with its article.</summary>
    internal abstract string Description { get; }

    /// <summary>Its class, as users know it.</summary>
    private protected abstract string Kind { get; }

    /// <summary>Starts a scope inside this container or scope.</summary>
    /// <param name="incoming">The values that the wiring promises with <c>Scoped.Incoming</c>; those of a scope around it
    /// hold on unless they are handed over anew.</param>
    /// <returns>The scope; end it with <c>await using</c>.</returns>
    /// <exception cref="ResolveException">A value was handed over that the wiring does not promise (JV107).</exception>
    /// <exception cref="ObjectDisposedException">The container or scope has ended.</exception>
    public Scope StartScope(params ReadOnlySpan<Incoming> incoming) =>
        incoming.IsEmpty && Word >= 0 && this is Container container && !container.WatchesScopes
            ? ScopeSizes.Start(container.StateOfScopes)
            : Start(null, Level.Scoped, incoming);

    /// <summary>Starts a scope of a level of your own.</summary>
    /// <param name="level">The level: one without a level around it starts from the container, another from a scope of the
    /// level around it.</param>
    /// <param name="incoming">The values that the wiring promises with that level's <c>Incoming</c>.</param>
    /// <returns>The scope; end it with <c>await using</c>.</returns>
    /// <exception cref="ArgumentNullException"><paramref name="level"/> is null.</exception>
    /// <exception cref="ResolveException">The level cannot start here (JV305), or a value was handed over that the wiring does
    /// not promise (JV107).</exception>
    /// <exception cref="ObjectDisposedException">The container or scope has ended.</exception>
    public Scope StartScope(ScopeLevel level, params ReadOnlySpan<Incoming> incoming)
    {
        ArgumentNullException.ThrowIfNull(level);
        return CanStart(level.Level)
            ? Start(level, level.Level, incoming)
            : throw new ResolveException(LevelFaults.WrongPlace(level.Level, Description));
    }

    /// <summary>Starts a scope inside this container or scope, and awaits what its level makes asynchronously.</summary>
    /// <param name="incoming">The values that the wiring promises with <c>Scoped.Incoming</c>.</param>
    /// <returns>The scope; end it with <c>await using</c>.</returns>
    /// <exception cref="ResolveException">A value was handed over that the wiring does not promise (JV107).</exception>
    /// <exception cref="ConstructionException">A factory threw; the scope has ended.</exception>
    /// <exception cref="ObjectDisposedException">The container or scope has ended.</exception>
    public ValueTask<Scope> StartScopeAsync(params ReadOnlySpan<Incoming> incoming) => ReadyAsync(StartScope(incoming), CancellationToken.None);

    /// <inheritdoc cref="StartScopeAsync(ReadOnlySpan{Incoming})"/>
    /// <param name="cancellationToken">Handed on to the factories that ask for it.</param>
    /// <param name="incoming">The values that the wiring promises with <c>Scoped.Incoming</c>.</param>
    public ValueTask<Scope> StartScopeAsync(CancellationToken cancellationToken, params ReadOnlySpan<Incoming> incoming) =>
        ReadyAsync(StartScope(incoming), cancellationToken);

    /// <summary>Starts a scope of a level of your own, and awaits what that level makes asynchronously.</summary>
    /// <param name="level">The level.</param>
    /// <param name="incoming">The values that the wiring promises with that level's <c>Incoming</c>.</param>
    /// <returns>The scope; end it with <c>await using</c>.</returns>
    /// <exception cref="ArgumentNullException"><paramref name="level"/> is null.</exception>
    /// <exception cref="ResolveException">The level cannot start here (JV305), or a value was handed over that the wiring does
    /// not promise (JV107).</exception>
    /// <exception cref="ConstructionException">A factory threw; the scope has ended.</exception>
    /// <exception cref="ObjectDisposedException">The container or scope has ended.</exception>
    public ValueTask<Scope> StartScopeAsync(ScopeLevel level, params ReadOnlySpan<Incoming> incoming) =>
        ReadyAsync(StartScope(level, incoming), CancellationToken.None);

    /// <inheritdoc cref="StartScopeAsync(ScopeLevel, ReadOnlySpan{Incoming})"/>
    /// <param name="level">The level.</param>
    /// <param name="cancellationToken">Handed on to the factories that ask for it.</param>
    /// <param name="incoming">The values that the wiring promises with that level's <c>Incoming</c>.</param>
    public ValueTask<Scope> StartScopeAsync(ScopeLevel level, CancellationToken cancellationToken, params ReadOnlySpan<Incoming> incoming) =>
        ReadyAsync(StartScope(level, incoming), cancellationToken);

    /// <summary>Shows this container or scope as the base library's interface, which frameworks ask.</summary>
    /// <returns>A view that gives null for what nobody registers. It does not end what it shows.</returns>
    public IServiceProvider AsServiceProvider() => new ServiceProviderView(this);

    /// <summary>
    /// Ends everything that was made here, in reverse order of creation. What can end only asynchronously is left, and
    /// named in the exception: a call of <see cref="DisposeAsync"/> ends that too. A second call does nothing.
    /// </summary>
    /// <exception cref="AggregateException">Some threw, or can end only asynchronously; all were tried.</exception>
    public void Dispose() => EndNow();

    /// <summary>
    /// Ends everything that was made here, in reverse order of creation, asynchronously where there is a choice. If somebody else ends it at this
    /// moment, a further call waits for the same end; after it, a call does nothing. A call from within that end, by what is being ended, does not
    /// wait for itself and is completed at once.
    /// </summary>
    /// <returns>What completes when all has ended.</returns>
    /// <exception cref="AggregateException">Some threw; all were tried. All who waited for one end get the same.</exception>
    public ValueTask DisposeAsync() => EndNowAsync();

    /// <summary>The instance in a slot; null where there is none, or none any more.</summary>
    internal abstract object? Find(int slot);

    /// <summary>The container or scope, here or around here, that instances of a level belong to; null where there is none.</summary>
    internal abstract Resolver? HomeOf(Level level);

    /// <summary>Whether a scope of this level can start from here.</summary>
    internal abstract bool CanStart(Level level);

    /// <exception cref="ObjectDisposedException">This has ended, or the container around it, or the one that it was branched from.</exception>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    internal void ThrowIfEnded()
    {
        if (Word < 0 || Root.Word < 0)
        {
            throw EndedAround();
        }
    }

    internal ObjectDisposedException Ended() =>
        new(Kind, $"{char.ToUpperInvariant(Description[0])}{Description[1..]} has ended: nothing can be resolved from it any more.");

    /// <summary>Sees to it that only what has been taken on by others meanwhile is lost.</summary>
    private protected bool TryChange(ResolverState from, ResolverState to) => Interlocked.CompareExchange(ref _state, to, from) == from;

    private protected void Begin(ResolverState state) => _state = state;

    private protected abstract void EndNow();

    private protected abstract ValueTask EndNowAsync();

    private ObjectDisposedException EndedAround() => Word < 0 && this is Scope ? Ended() : Root.EndedSomewhere();

    /// <summary>Takes on values that count as made first, and so end last.</summary>
    private protected void OwnValues(IEnumerable<object> values)
    {
        foreach (object value in values)
        {
            if (value is IDisposable or IAsyncDisposable)
            {
                Store.Own([OwnedInstance.First(value)]);
            }
        }
    }

    private static ValueTask<Scope> ReadyAsync(Scope scope, CancellationToken cancellationToken)
    {
        IReadOnlyList<Node> nodes = scope.Plans.AsyncNodesOf(scope.State.Level);
        return nodes.Count == 0 ? new ValueTask<Scope>(scope) : ReadyAsync(scope, nodes, cancellationToken);
    }

    private static async ValueTask<Scope> ReadyAsync(Scope scope, IReadOnlyList<Node> nodes, CancellationToken cancellationToken)
    {
        try
        {
            foreach (Node node in nodes)
            {
                await AsyncConstruction.MakeAsync(node, scope, cancellationToken).ConfigureAwait(false);
            }

            return scope;
        }
        catch (Exception failure)
        {
            await ScopedWork.EndUnusedAsync(scope, failure).ConfigureAwait(false);
            throw;
        }
    }

    private Scope Start(ScopeLevel? level, Level kind, ReadOnlySpan<Incoming> incoming)
    {
        ThrowIfEnded();
        ResolverState plain = Root.StateOfScopes;
        SuppliedValues values = Plans.TakeValues(kind, incoming);
        bool isWatched = Root.WatchesScopes;
        ResolverState state = this is Container && level is null && !isWatched && ReferenceEquals(values, SuppliedValues.Nothing)
            ? plain
            : plain with { IsPlain = false, Outer = this, Level = kind, UsersLevel = level, Values = values, Slots = level is null ? plain.Slots : ResolverState.NoSlots };
        Scope scope = ScopeSizes.Start(state);
        if (values.OwnsAny)
        {
            scope.OwnValues(values.Owned);
        }

        if (isWatched)
        {
            scope.BeWatched();
        }

        return scope;
    }
}
