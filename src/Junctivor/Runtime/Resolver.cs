using System.Diagnostics.CodeAnalysis;
using System.Runtime.CompilerServices;
using Junctivor.Checks;
using Junctivor.Graph;
using Junctivor.Runtime;

namespace Junctivor;

/// <summary>
/// The common base class of <see cref="Container"/> and <see cref="Scope"/>: resolves services, starts scopes, disposes instances.
/// All members are safe for use by several threads.
/// </summary>
[SuppressMessage("Usage", "CA1816", Justification = "Nobody else can derive from it, and there is no finalizer.")]
public abstract partial class Resolver : IAsyncDisposable, IDisposable
{
    private ResolverState _state;

    private protected Resolver(ResolverState state) => _state = state;

    /// <summary>For a container, which creates its own state.</summary>
    private protected Resolver() => _state = null!;

    /// <summary>What has been claimed here, and whether disposal has begun. Not read-only, as it is a value that changes.</summary>
    internal ScopeGuard Guard;

    internal ResolverState State => _state;

    /// <summary>The number of services that have a slot here.</summary>
    internal int Slots => _state.Slots;

    /// <summary>Whether nothing can be resolved from here any more.</summary>
    internal bool IsDisposed => Guard.IsDisposed;

    /// <summary>The plans; released at disposal, so that nothing keeps the types of a plug-in.</summary>
    internal PlanCache Plans => Root.OwnPlans;

    internal Container Root => _state.Root;

    /// <summary>What this is nested in; null for a container.</summary>
    internal Resolver? Outer => _state.Outer;

    internal SuppliedValues Values => _state.Values;

    /// <summary>Whether <see cref="StartScopeAsync(ReadOnlySpan{Incoming}, CancellationToken)"/> awaits factories, so that
    /// <see cref="StartScope(ReadOnlySpan{Incoming})"/> would leave something uncreated: for adapters that start scopes.</summary>
    /// <exception cref="ObjectDisposedException">The container is disposed.</exception>
    public bool ScopesAwaitFactories => Plans.AsyncOrder.NodesOf(Level.Scoped).Count > 0;

    /// <summary>The observers and listeners; the same for a container and all its scopes.</summary>
    internal ContainerObservers Observers => Root.OwnObservers;

    /// <summary>Knows what is being created step by step, and what of it must be disposed.</summary>
    internal abstract InstanceStore Store { get; }

    /// <summary>How messages call it, with its article.</summary>
    internal abstract string Description { get; }

    /// <summary>The name of its public class.</summary>
    private protected abstract string Kind { get; }

    /// <summary>Starts a scope inside this container or scope.</summary>
    /// <param name="incoming">The values that the wiring declares with <c>Scoped.Incoming</c>; those of an outer scope
    /// remain valid unless they are supplied again.</param>
    /// <returns>The scope; dispose it with <c>await using</c>.</returns>
    /// <exception cref="ResolveException">A value was supplied that the wiring does not declare (JV107).</exception>
    /// <exception cref="ObjectDisposedException">The container or scope is disposed.</exception>
    public Scope StartScope(params ReadOnlySpan<Incoming> incoming) =>
        incoming.IsEmpty && !Guard.IsDisposed && this is Container container && !container.ObservesScopes
            ? ScopeSizes.Start(container.StateOfScopes)
            : Start(null, Level.Scoped, incoming);

    /// <summary>Starts a scope of a level of your own.</summary>
    /// <param name="level">The level: one without an outer level is started from the container, another from a scope of its
    /// outer level.</param>
    /// <param name="incoming">The values that the wiring declares with that level's <c>Incoming</c>.</param>
    /// <returns>The scope; dispose it with <c>await using</c>.</returns>
    /// <exception cref="ArgumentNullException"><paramref name="level"/> is null.</exception>
    /// <exception cref="ResolveException">The level cannot be started here (JV305), or a value was supplied that the wiring does
    /// not declare (JV107).</exception>
    /// <exception cref="ObjectDisposedException">The container or scope is disposed.</exception>
    public Scope StartScope(ScopeLevel level, params ReadOnlySpan<Incoming> incoming)
    {
        ArgumentNullException.ThrowIfNull(level);
        return CanStart(level.Level)
            ? Start(level, level.Level, incoming)
            : throw new ResolveException(LevelOutOfPlaceFaults.WrongPlace(level.Level, Description));
    }

    /// <summary>Starts a scope inside this container or scope, and awaits its asynchronous factories.</summary>
    /// <param name="incoming">The values that the wiring declares with <c>Scoped.Incoming</c>.</param>
    /// <param name="cancellationToken">Passed to the factories that take a token.</param>
    /// <returns>The scope; dispose it with <c>await using</c>.</returns>
    /// <exception cref="ResolveException">A value was supplied that the wiring does not declare (JV107).</exception>
    /// <exception cref="ConstructionException">A factory threw; the scope was disposed.</exception>
    /// <exception cref="ObjectDisposedException">The container or scope is disposed.</exception>
    /// <example>
    /// <code>
    /// await using Scope scope = await container.StartScopeAsync([Incoming.Value(caller)], cancellationToken);
    /// </code>
    /// </example>
    public ValueTask<Scope> StartScopeAsync(ReadOnlySpan<Incoming> incoming = default, CancellationToken cancellationToken = default) =>
        ReadyAsync(StartScope(incoming), cancellationToken);

    /// <summary>Starts a scope of a level of your own, and awaits the asynchronous factories of that level.</summary>
    /// <param name="level">The level.</param>
    /// <param name="incoming">The values that the wiring declares with that level's <c>Incoming</c>.</param>
    /// <param name="cancellationToken">Passed to the factories that take a token.</param>
    /// <returns>The scope; dispose it with <c>await using</c>.</returns>
    /// <exception cref="ArgumentNullException"><paramref name="level"/> is null.</exception>
    /// <exception cref="ResolveException">The level cannot be started here (JV305), or a value was supplied that the wiring does
    /// not declare (JV107).</exception>
    /// <exception cref="ConstructionException">A factory threw; the scope was disposed.</exception>
    /// <exception cref="ObjectDisposedException">The container or scope is disposed.</exception>
    public ValueTask<Scope> StartScopeAsync(
        ScopeLevel level, ReadOnlySpan<Incoming> incoming = default, CancellationToken cancellationToken = default) =>
        ReadyAsync(StartScope(level, incoming), cancellationToken);

    /// <summary>This container or scope as an <see cref="IServiceProvider"/>, for frameworks.</summary>
    /// <returns>A view that returns null for a type that is not registered. It does not own the container or scope.</returns>
    public IServiceProvider AsServiceProvider() => new ServiceProviderView(this);

    /// <summary>
    /// Disposes everything that was created here, in reverse order of creation. Services that can be disposed only asynchronously are
    /// left, and named in the exception: call <see cref="DisposeAsync"/> to dispose them too. A second call does nothing.
    /// </summary>
    /// <exception cref="AggregateException">Some disposals threw, or services can be disposed only asynchronously. All were
    /// tried.</exception>
    public void Dispose() => DisposeCore();

    /// <summary>
    /// Disposes everything that was created here, in reverse order of creation, asynchronously where possible. A call during another
    /// disposal awaits that one; a later call does nothing. A call from within the disposal, by a service that is being disposed, does not
    /// wait for itself and completes at once.
    /// </summary>
    /// <returns>A task that completes when everything is disposed.</returns>
    /// <exception cref="AggregateException">Some disposals threw. All were tried. All callers that awaited one disposal get the same
    /// exception.</exception>
    public ValueTask DisposeAsync() => DisposeCoreAsync();

    /// <summary>The instance in a slot; null if there is none, or none any more.</summary>
    internal abstract object? Find(int slot);

    /// <summary>The container or scope, here or outside, that instances of a level belong to; null for none.</summary>
    internal abstract Resolver? HomeOf(Level level);

    /// <summary>Whether a scope of this level can start from here.</summary>
    internal abstract bool CanStart(Level level);

    /// <exception cref="ObjectDisposedException">This is disposed, or its container, or the one that was branched.</exception>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    internal void ThrowIfDisposed()
    {
        if (Guard.IsDisposed || Root.Guard.IsDisposed)
        {
            throw DisposedExceptionAround();
        }
    }

    internal ObjectDisposedException DisposedException() =>
        new(Kind, $"{char.ToUpperInvariant(Description[0])}{Description[1..]} was disposed: nothing can be resolved from it.");

    /// <summary>Exchanges the state, unless another thread has done so.</summary>
    private protected bool TryChange(ResolverState from, ResolverState to) => Interlocked.CompareExchange(ref _state, to, from) == from;

    private protected void Begin(ResolverState state) => _state = state;

    private protected abstract void DisposeCore();

    private protected abstract ValueTask DisposeCoreAsync();

    private ObjectDisposedException DisposedExceptionAround() =>
        IsDisposed && this is Scope ? DisposedException() : Root.DisposedExceptionOfRoot();

    /// <summary>Takes over values, which count as created first and are disposed last.</summary>
    private protected void OwnValues(IEnumerable<object> values)
    {
        foreach (object value in values)
        {
            if (value is IDisposable or IAsyncDisposable)
            {
                Store.Own(new OwnedSlice(OwnedInstance.First(value)));
            }
        }
    }

    private static ValueTask<Scope> ReadyAsync(Scope scope, CancellationToken cancellationToken)
    {
        IReadOnlyList<Node> nodes = scope.Plans.AsyncOrder.NodesOf(scope.State.Level);
        return nodes.Count == 0 ? new ValueTask<Scope>(scope) : ReadyAsync(scope, nodes, cancellationToken);
    }

    private static async ValueTask<Scope> ReadyAsync(Scope scope, IReadOnlyList<Node> nodes, CancellationToken cancellationToken)
    {
        try
        {
            foreach (Node node in nodes)
            {
                await AsyncConstruction.CreateAsync(node, scope, cancellationToken).ConfigureAwait(false);
            }

            return scope;
        }
        catch (Exception failure)
        {
            await ScopedWork.DisposeUnusedAsync(scope, failure).ConfigureAwait(false);
            throw;
        }
    }

    private Scope Start(ScopeLevel? level, Level kind, ReadOnlySpan<Incoming> incoming)
    {
        ThrowIfDisposed();
        ResolverState plain = Root.StateOfScopes;
        SuppliedValues values = incoming.IsEmpty ? SuppliedValues.Nothing : Plans.Declared.Take(kind, incoming);
        bool isWatched = Root.ObservesScopes;
        ResolverState state = this is Container && level is null && !isWatched && ReferenceEquals(values, SuppliedValues.Nothing)
            ? plain
            : plain with
            {
                IsPlain = false,
                Outer = this,
                Level = kind,
                UsersLevel = level,
                Values = values,
                Slots = level is null ? plain.Slots : ResolverState.NoSlots,
            };
        Scope scope = ScopeSizes.Start(state);
        if (values.OwnsAny)
        {
            scope.OwnValues(values.Owned);
        }

        if (isWatched)
        {
            scope.ReportStart();
        }

        return scope;
    }
}
