using Junctivor.Checks;
using Junctivor.Graph;
using Junctivor.Registering;
using Junctivor.Runtime;
using Junctivor.Telemetry;

namespace Junctivor;

/// <summary>
/// The checked, ready wiring with its singletons, made by <see cref="Wiring.Build(ReadOnlySpan{Incoming})"/>.
/// All members are safe for use by several threads: a singleton is made at most once.
/// </summary>
/// <example>
/// <code>
/// await using Container container = wiring.Build(Incoming.Value(settings));
/// await using Scope request = container.StartScope(Incoming.Value(caller));
/// BookingDesk desk = request.Resolve&lt;BookingDesk&gt;();
/// </code>
/// </example>
public sealed partial class Container : Resolver
{
    private readonly Container? _parent;
    private readonly BuildOptions _options;
    private readonly WarmUp _warmUp = new();
    private readonly Branches _branches = new();
    private PlanCache? _book;
    private volatile bool _isObserved;
    private PluginContext[] _plugins;
    private DisposalPass? _ending;

    internal Container(PlanCache book, SuppliedValues values, CheckReport report, BuildOptions options, Container? parent = null)
    {
        Measuring.Begin();
        Report = report;
        _book = book;
        _parent = parent;
        _options = options;
        OwnWatch = new ContainerObservers(options.SlowConstruction, BeObserved);
        ResolverState state = new()
        {
            Entries = book.Entries,
            Root = this,
            Outer = null,
            Level = Level.Singleton,
            Values = values,
            Slots = ResolverState.NoSlots,
            Store = new InstanceStore(null),
        };
        Begin(state);
        StateOfScopes = state with { Outer = this, Level = Level.Scoped, Values = SuppliedValues.Nothing, Slots = ScopeSizes.For(book.ScopedServices), Store = null, IsPlain = true };
        _plugins = PluginsOf(book.Reader.Entries);
        Array.ForEach(_plugins, plugin => plugin.Use());

        OwnValues(values.Owned.Concat(book.OwnedValues));
        parent?._branches.Add(this);
    }

    /// <summary>What the check found when this was built: warnings and notes, as faults stop a build.</summary>
    public CheckReport Report { get; }

    internal override InstanceStore Store => State.Store!;

    internal PlanCache OwnPlans => Volatile.Read(ref _book) ?? throw Ended();

    internal ContainerObservers OwnWatch { get; }

    /// <summary>For how long one thread waits for what another one makes.</summary>
    internal TimeSpan LongestWait => _options.ConstructionTimeout;

    /// <summary>Whether somebody wants to be told of each instance.</summary>
    internal bool IsObserved => _isObserved;

    /// <summary>Whether anybody wants to know of scopes.</summary>
    internal bool WatchesScopes => _isObserved || Measuring.Scopes;

    /// <summary>What a scope of the default level has that is started from here without anything further.</summary>
    internal ResolverState StateOfScopes { get; }

    private protected override string Kind => nameof(Container);

    internal override string Description => _parent is null ? "the container" : "the branch";

    /// <summary>
    /// Does what comes before the first work: makes the singletons of <c>FromAsync</c>, and runs what entries say with
    /// <c>WarmUp</c>, each after what it needs, and what does not need each other at the same time. If something fails, or is
    /// cancelled, nothing further begins, and what had warmed up in this call is wound down. A second call begins with what is cold.
    /// </summary>
    /// <param name="cancellationToken">Handed on to factories and work, and cancelled for them too where another one failed.</param>
    /// <returns>What completes when all is warm.</returns>
    /// <exception cref="WarmUpException">User code threw: it says whose, and why.</exception>
    /// <exception cref="OperationCanceledException"><paramref name="cancellationToken"/> was cancelled.</exception>
    /// <exception cref="ObjectDisposedException">The container has ended.</exception>
    public Task WarmUpAsync(CancellationToken cancellationToken = default)
    {
        ThrowIfEnded();
        StagedWork.ThrowIfInside(this, nameof(WarmUpAsync));
        return _warmUp.RunAsync(this, cancellationToken);
    }

    /// <summary>
    /// Does what comes after the last work: runs what entries say with <c>WindDown</c>, in the reverse order of warming up,
    /// for what was warmed up. <see cref="Resolver.DisposeAsync"/> does it if nobody did.
    /// </summary>
    /// <param name="cancellationToken">Handed on to the work.</param>
    /// <returns>What completes when all were tried. It carries what they threw, as an <see cref="AggregateException"/>.</returns>
    /// <exception cref="ObjectDisposedException">The container has ended.</exception>
    public Task WindDownAsync(CancellationToken cancellationToken = default) => WindDownAsync(Timeout.InfiniteTimeSpan, cancellationToken);

    /// <summary>The same as <see cref="WindDownAsync(CancellationToken)"/>, with a limit.</summary>
    /// <param name="limit">For how long it is waited for all of them together; then the work's token is cancelled, and what has not
    /// ended is left to itself.</param>
    /// <param name="cancellationToken">Handed on to the work.</param>
    /// <returns>What completes when all were tried. It carries what they threw, as an <see cref="AggregateException"/>.</returns>
    /// <exception cref="WindDownTimeoutException">Some did not end within the limit: it says which.</exception>
    /// <exception cref="ArgumentOutOfRangeException"><paramref name="limit"/> is negative, and not <see cref="Timeout.InfiniteTimeSpan"/>.</exception>
    /// <exception cref="ObjectDisposedException">The container has ended.</exception>
    public async Task WindDownAsync(TimeSpan limit, CancellationToken cancellationToken = default)
    {
        ThrowIfEnded();
        StagedWork.ThrowIfInside(this, nameof(WindDownAsync));
        ThrowIfAny(Disposal.FailureOf(await _warmUp.UndoAsync(this, limit, isLast: false, cancellationToken).ConfigureAwait(false), Description));
    }

    /// <summary>Tells somebody what is constructed and disposed of, and which scopes start and end, in that order: for tests above all.</summary>
    /// <param name="observer">Told of what happens from now on in this container and its scopes, but not in its branches, at once and on the
    /// thread where it happens: so by several threads at a time where several work. It must not throw.</param>
    /// <returns>What ends the telling when it is disposed of. The end of the container is told too.</returns>
    /// <exception cref="ArgumentNullException"><paramref name="observer"/> is null.</exception>
    /// <exception cref="ObjectDisposedException">The container has ended.</exception>
    public IDisposable Observe(Action<LifeEvent> observer)
    {
        ArgumentNullException.ThrowIfNull(observer);
        ThrowIfEnded();
        return Watch.Add(observer);
    }

    /// <summary>Hands over a value that the wiring promises with <c>Singleton.Incoming&lt;T&gt;().SuppliedLater()</c>: once.</summary>
    /// <typeparam name="T">The type that the wiring promises.</typeparam>
    /// <param name="value">The value.</param>
    /// <exception cref="ArgumentNullException"><paramref name="value"/> is null.</exception>
    /// <exception cref="ResolveException">The wiring does not promise it for later (JV107).</exception>
    /// <exception cref="InvalidOperationException">It was handed over before.</exception>
    /// <exception cref="ObjectDisposedException">The container has ended.</exception>
    public void Supply<T>(T value)
        where T : notnull
    {
        ArgumentNullException.ThrowIfNull(value);
        ThrowIfEnded();
        ServiceId service = new(Plans.Types[typeof(T)]);
        Node promise = Plans.Graph.LateIncomingFor(service) ?? throw new ResolveException(NotDeclaredFaults.Late(Plans.Graph, service));
        if (!Values.TryAdd(promise, value))
        {
            throw new InvalidOperationException($"{service} was handed over before: a late value is handed over once.");
        }

        if (promise.Options.IsOwned == true)
        {
            OwnValues([value]);
        }
    }

    /// <summary>Says whether the wiring promises an unmarked value of exactly this type with <c>Scoped.Incoming</c>: for what starts scopes
    /// for others, and hands over what it has where it is wanted.</summary>
    /// <param name="service">The type.</param>
    /// <returns>Whether it does.</returns>
    /// <exception cref="ArgumentNullException"><paramref name="service"/> is null.</exception>
    /// <exception cref="ObjectDisposedException">The container has ended.</exception>
    public bool DeclaresIncoming(Type service) =>
        Plans.Graph.IncomingFor(new ServiceId(Plans.Types[Given(service)])).Any(promise => promise.Level == Level.Scoped);

    internal override Resolver? HomeOf(Level level) => level == Level.Singleton || level.IsTransient ? this : null;

    internal override bool CanStart(Level level) => level.Within is null;

    internal override object? Find(int slot) => Store.Find(slot);

    private protected override void EndNow()
    {
        DisposalPass own = new(isAsynchronous: false);
        if (Interlocked.CompareExchange(ref _ending, own, null) is not null)
        {
            return;
        }

        AggregateException? failure = null;
        try
        {
            if (_warmUp.Pending is { Count: > 0 } pending)
            {
                throw new InvalidOperationException(
                    $"{string.Join(", ", pending)} must be wound down, which takes awaiting: write `await using` where the container is made, or await WindDownAsync() first. Nothing has ended.");
            }

            bool isFirst = LetGo();
            List<Exception>? failures = null;
            List<OwnedInstance>? left = null;
            Disposal.End(Store.End(), this, ref failures, ref left);
            if (left is not null)
            {
                Disposal.Leave(left, this, ref failures);
            }

            Leave(isFirst);
            failure = Disposal.FailureOf(failures, Description);
        }
        finally
        {
            Volatile.Write(ref _ending, null);
            own.Complete(failure);
        }

        ThrowIfAny(failure);
    }

    private protected override ValueTask EndNowAsync()
    {
        StagedWork.ThrowIfInside(this, nameof(DisposeAsync));
        return Disposal.IsInside(this) ? ValueTask.CompletedTask : new ValueTask(EndAsync());
    }

    /// <summary>Whoever comes while somebody is at the end, gets the same end; whoever comes later, ends what was left.</summary>
    private async Task EndAsync()
    {
        DisposalPass own = new(isAsynchronous: true);
        while (Interlocked.CompareExchange(ref _ending, own, null) is { } other)
        {
            await other.Task.ConfigureAwait(ConfigureAwaitOptions.SuppressThrowing);
            if (other.IsAsynchronous)
            {
                ThrowIfAny(other.Failure);
                return;
            }
        }

        AggregateException? failure = null;
        try
        {
            failure = await EndPassAsync().ConfigureAwait(false);
        }
        finally
        {
            Volatile.Write(ref _ending, null);
            own.Complete(failure);
        }

        ThrowIfAny(failure);
    }

    private async Task<AggregateException?> EndPassAsync()
    {
        Disposal.GoInside(this);
        List<Exception> failures = await _warmUp.UndoAsync(this, Timeout.InfiniteTimeSpan, isLast: true, CancellationToken.None).ConfigureAwait(false);
        bool isFirst = LetGo();
        List<Exception>? all = await Disposal.EndAsync(Store.End(), this, failures).ConfigureAwait(false);
        Leave(isFirst);
        return Disposal.FailureOf(all, Description);
    }

    private static void ThrowIfAny(AggregateException? failure)
    {
        if (failure is not null)
        {
            throw failure;
        }
    }

    private void BeObserved(bool isObserved)
    {
        _isObserved = isObserved;
        Volatile.Read(ref _book)?.IsWatched(isObserved);
    }

    /// <summary>Nothing can be resolved from here any more: it has ended, or what it was branched from.</summary>
    internal void Close()
    {
        Volatile.Write(ref Word, ScopeWord.Ended);
        _branches.Close();
        Volatile.Read(ref _book)?.Close();
    }

    /// <summary>The container that this is a branch of, or that one is, which has ended.</summary>
    internal ObjectDisposedException EndedSomewhere() => Volatile.Read(ref _book) is not null && _parent is not null ? _parent.EndedSomewhere() : Ended();

    /// <summary>Lets the plans go; says whether this is the first call.</summary>
    private bool LetGo()
    {
        Close();
        return Interlocked.Exchange(ref _book, null) is not null;
    }

    private void Leave(bool isFirst)
    {
        if (!isFirst)
        {
            return;
        }

        foreach (PluginContext plugin in Interlocked.Exchange(ref _plugins, []))
        {
            plugin.Leave();
        }
    }

    private static PluginContext[] PluginsOf(IReadOnlyList<RegistrationData> entries) =>
        entries.Any(entry => entry.Plugin is not null) ? [.. entries.Select(entry => entry.Plugin).OfType<PluginContext>().Distinct()] : [];
}
