using System.Diagnostics.CodeAnalysis;
using Junctivor.Checks;
using Junctivor.Graph;
using Junctivor.Plans;
using Junctivor.Runtime;
using Junctivor.Telemetry;

namespace Junctivor;

/// <summary>
/// What a <see cref="Container"/> and a <see cref="Scope"/> share: resolving, starting scopes, ending.
/// All members are safe for use by several threads.
/// </summary>
[SuppressMessage("Usage", "CA1816", Justification = "Nobody else can derive from it, and there is no finalizer.")]
public abstract partial class Resolver : IAsyncDisposable, IDisposable
{
    private readonly InstanceStore _rootStore;
    private readonly Container? _branchedFrom;
    private PlanBook? _book;

    private protected Resolver(PlanBook book, Resolver? outer, HandedOver values, Watch watch, Container? branchedFrom = null)
    {
        _book = book;
        _rootStore = outer is null ? Store : outer._rootStore;
        _branchedFrom = outer is null ? branchedFrom : outer._branchedFrom;
        Watch = watch;
        Outer = outer;
        Values = values;
    }

    /// <summary>The plans; let go at the end, so that nothing keeps the types of a plug-in.</summary>
    internal PlanBook Book => Volatile.Read(ref _book) ?? throw Ended();

    /// <summary>What this is nested in; null for a container.</summary>
    internal Resolver? Outer { get; }

    internal HandedOver Values { get; }

    /// <summary>Who is told what happens; the same for a container and all its scopes.</summary>
    internal Watch Watch { get; }

    internal InstanceStore Store { get; } = new();

    internal abstract Container Root { get; }

    /// <summary>How messages call it, with its article.</summary>
    internal abstract string Description { get; }

    /// <summary>Starts a scope inside this container or scope.</summary>
    /// <param name="incoming">The values that the wiring promises with <c>Scoped.Incoming</c>; those of a scope around it
    /// hold on unless they are handed over anew.</param>
    /// <returns>The scope; end it with <c>await using</c>.</returns>
    /// <exception cref="ResolveException">A value was handed over that the wiring does not promise (JV107).</exception>
    /// <exception cref="ObjectDisposedException">The container or scope has ended.</exception>
    public Scope StartScope(params ReadOnlySpan<Incoming> incoming) => Start(null, Level.Scoped, incoming);

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
    /// <param name="cancellation">Handed on to the factories that ask for it.</param>
    /// <param name="incoming">The values that the wiring promises with <c>Scoped.Incoming</c>.</param>
    public ValueTask<Scope> StartScopeAsync(CancellationToken cancellation, params ReadOnlySpan<Incoming> incoming) =>
        ReadyAsync(StartScope(incoming), cancellation);

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
    /// <param name="cancellation">Handed on to the factories that ask for it.</param>
    /// <param name="incoming">The values that the wiring promises with that level's <c>Incoming</c>.</param>
    public ValueTask<Scope> StartScopeAsync(ScopeLevel level, CancellationToken cancellation, params ReadOnlySpan<Incoming> incoming) =>
        ReadyAsync(StartScope(level, incoming), cancellation);

    /// <summary>Shows this container or scope as the base library's interface, which frameworks ask.</summary>
    /// <returns>A view that gives null for what nobody registers. It does not end what it shows.</returns>
    public IServiceProvider AsServiceProvider() => new ServiceProviderView(this);

    /// <summary>
    /// Ends everything that was made here, in reverse order of creation. What can end only asynchronously is left, and
    /// named in the exception: a call of <see cref="DisposeAsync"/> ends that too. A second call does nothing.
    /// </summary>
    /// <exception cref="AggregateException">Some threw, or can end only asynchronously; all were tried.</exception>
    public void Dispose()
    {
        BeforeEnd();
        bool isFirst = LetGo();
        try
        {
            Ending.End(this);
        }
        finally
        {
            if (isFirst)
            {
                Leave();
            }
        }
    }

    /// <summary>
    /// Ends everything that was made here, in reverse order of creation, asynchronously where there is a choice.
    /// A second call does nothing.
    /// </summary>
    /// <returns>What completes when all has ended.</returns>
    /// <exception cref="AggregateException">Some threw; all were tried.</exception>
    public async ValueTask DisposeAsync()
    {
        List<Exception>? before = await BeforeEndAsync().ConfigureAwait(false);
        bool isFirst = LetGo();
        List<Exception>? failures = await Ending.EndAsync(Store.End(), this).ConfigureAwait(false);
        if (isFirst)
        {
            Leave();
        }

        Ending.ThrowIfAny(before is null ? failures : [.. before, .. failures ?? []], Description);
    }

    /// <summary>The container or scope, here or around here, that instances of a level belong to; null where there is none.</summary>
    internal abstract Resolver? HomeOf(Level level);

    /// <summary>Whether a scope of this level can start from here.</summary>
    internal abstract bool CanStart(Level level);

    /// <exception cref="ObjectDisposedException">This has ended, or the container around it, or the one that it was branched from.</exception>
    internal void ThrowIfEnded()
    {
        if (Store.HasEnded)
        {
            throw Ended();
        }

        if (_rootStore.HasEnded)
        {
            throw Root.Ended();
        }

        _branchedFrom?.ThrowIfEnded();
    }

    internal ObjectDisposedException Ended() =>
        new(GetType().Name, $"{char.ToUpperInvariant(Description[0])}{Description[1..]} has ended: nothing can be resolved from it any more.");

    /// <summary>Takes on values that count as made first, and so end last.</summary>
    private protected void OwnValues(IEnumerable<object> values) =>
        Store.Own([.. values.Where(value => value is IDisposable or IAsyncDisposable).Select(Owned.First)]);

    /// <summary>What comes before the end, while everything can still be used.</summary>
    /// <returns>What that threw; null where nothing did.</returns>
    private protected virtual ValueTask<List<Exception>?> BeforeEndAsync() => default;

    /// <summary>Refuses an end that would leave out what comes before it.</summary>
    private protected virtual void BeforeEnd()
    {
    }

    /// <summary>Everything has ended.</summary>
    private protected virtual void Leave()
    {
    }

    private static ValueTask<Scope> ReadyAsync(Scope scope, CancellationToken cancellation)
    {
        IReadOnlyList<Node> nodes = scope.Book.AsyncNodesOf(scope.Level?.Level ?? Level.Scoped);
        return nodes.Count == 0 ? new ValueTask<Scope>(scope) : ReadyAsync(scope, nodes, cancellation);
    }

    private static async ValueTask<Scope> ReadyAsync(Scope scope, IReadOnlyList<Node> nodes, CancellationToken cancellation)
    {
        try
        {
            foreach (Node node in nodes)
            {
                await AsyncConstruction.MakeAsync(node, scope, cancellation).ConfigureAwait(false);
            }

            return scope;
        }
        catch
        {
            await scope.DisposeAsync().ConfigureAwait(false);
            throw;
        }
    }

    private Scope Start(ScopeLevel? level, Level kind, ReadOnlySpan<Incoming> incoming)
    {
        ThrowIfEnded();
        HandedOver values = Book.TakeValues(kind, incoming);
        Scope scope = new(this, level, values);
        if (values.OwnsAny)
        {
            scope.OwnValues(values.Owned);
        }

        scope.BeWatched();
        return scope;
    }

    /// <summary>Lets the plans go; says whether this is the first call.</summary>
    private bool LetGo() => Interlocked.Exchange(ref _book, null) is not null;
}
