using System.Diagnostics;
using Junctivor.Checks;
using Junctivor.Graph;
using Junctivor.Registering;
using Junctivor.Runtime;
using Junctivor.Telemetry;

namespace Junctivor;

/// <summary>
/// Resolves the services of a checked wiring, and owns its singletons. Created by <see cref="Wiring.Build(ReadOnlySpan{Incoming})"/>.
/// All members are safe for use by several threads; a singleton is created at most once.
/// </summary>
/// <example>
/// <code>
/// await using Container container = wiring.Build(Incoming.Value(settings));
/// await using Scope request = container.StartScope(Incoming.Value(caller));
/// BookingDesk desk = request.Resolve&lt;BookingDesk&gt;();
/// </code>
/// </example>
[DebuggerDisplay("{DebuggerText,nq}")]
public sealed partial class Container : Resolver
{
    private readonly Container? _parent;
    private readonly BuildOptions _options;
    private readonly WarmUp _warmUp = new();
    private TaskCompletionSource<BackgroundException>? _backgroundFailed;
    private Branches? _branches;
    private PlanCache? _plans;
    private volatile bool _isObserved;
    private UsedPlugins? _plugins;
    private DisposalPass? _disposal;

    internal Container(PlanCache plans, SuppliedValues values, CheckReport report, BuildOptions options, Container? parent = null)
    {
        Measuring.Begin();
        Report = report;
        _plans = plans;
        _parent = parent;
        _options = options;
        OwnObservers = new ContainerObservers(options.SlowConstruction, BeObserved);
        ResolverState state = new()
        {
            Entries = plans.Entries,
            Root = this,
            Outer = null,
            Level = Level.Singleton,
            Values = values,
            Slots = ResolverState.NoSlots,
            Store = new InstanceStore(null),
        };
        Begin(state);
        StateOfScopes =
            state with
            {
                Outer = this,
                Level = Level.Scoped,
                Values = SuppliedValues.Nothing,
                Slots = ScopeSizes.For(plans.ScopedServices),
                Store = null,
                IsPlain = true,
            };
        if (plans.IsSound)
        {
            _plugins = PluginsOf(plans.Reader.Entries);
            OwnValues(values.Owned);
            OwnValues(plans.OwnedValues);
        }

        parent?.Branches.Add(this);
    }

    /// <summary>The faults that the check at build found: warnings and notes, because errors stop a build.</summary>
    public CheckReport Report { get; }

    internal override InstanceStore Store => State.Store!;

    internal PlanCache OwnPlans => Volatile.Read(ref _plans) ?? throw DisposedException();

    internal ContainerObservers OwnObservers { get; }

    /// <summary>How long a thread waits for an instance that another thread creates.</summary>
    internal TimeSpan ConstructionTimeout => _options.ConstructionTimeout;

    /// <summary>Whether an observer or listener wants to know of each instance.</summary>
    internal bool IsObserved => _isObserved;

    /// <summary>Whether an observer or listener wants to know of scopes.</summary>
    internal bool ObservesScopes => _isObserved || Measuring.Scopes;

    /// <summary>The state of a default scope that is started from here without values.</summary>
    internal ResolverState StateOfScopes { get; }

    private string DebuggerText =>
        IsDisposed ? $"{Kind}, disposed" : $"{Kind}: {OwnPlans.Graph.Registrations.Count} registrations, {Report.Counts}";

    private protected override string Kind => nameof(Container);

    internal override string Description => _parent is null ? "the container" : "the branch";

    /// <summary>
    /// Prepares the container before anything is resolved: creates the singletons of <c>FromAsync</c> and runs each <c>WarmUp</c>, after
    /// those of its dependencies; independent ones run at the same time; then it starts each <c>Background</c>. If one fails or is
    /// canceled, no further one starts, and the services warmed up by this call are wound down. A second call initializes only services
    /// that are not yet warmed up.
    /// </summary>
    /// <param name="cancellationToken">Passed to factories and warm-ups; their token is also canceled when another one fails.</param>
    /// <returns>A task that completes when all services are warmed up.</returns>
    /// <exception cref="WarmUpException">A factory or warm-up threw.</exception>
    /// <exception cref="OperationCanceledException"><paramref name="cancellationToken"/> was canceled.</exception>
    /// <exception cref="ObjectDisposedException">The container is disposed.</exception>
    public Task WarmUpAsync(CancellationToken cancellationToken = default)
    {
        ThrowIfDisposed();
        StagedWork.ThrowIfInside(this, nameof(WarmUpAsync));
        return _warmUp.RunAsync(this, cancellationToken);
    }

    /// <summary>
    /// Runs each <c>WindDown</c> after the last request, and stops each <c>Background</c>, in the reverse order of warming up, for services
    /// that were warmed up.
    /// <see cref="Resolver.DisposeAsync"/> does it if it was not done.
    /// </summary>
    /// <param name="cancellationToken">Passed to the wind-downs.</param>
    /// <returns>A task that completes when all were tried. It fails with an <see cref="AggregateException"/> of their exceptions.</returns>
    /// <exception cref="ObjectDisposedException">The container is disposed.</exception>
    public Task WindDownAsync(CancellationToken cancellationToken = default) => WindDownAsync(Timeout.InfiniteTimeSpan, cancellationToken);

    /// <summary>The same as <see cref="WindDownAsync(CancellationToken)"/>, with a limit.</summary>
    /// <param name="limit">The time that all of them may take together. After that their token is canceled, and those that are still
    /// running are not awaited.</param>
    /// <param name="cancellationToken">Passed to the wind-downs.</param>
    /// <returns>A task that completes when all were tried. It fails with an <see cref="AggregateException"/> of their exceptions.</returns>
    /// <exception cref="WindDownTimeoutException">Some did not complete within the limit: it names them.</exception>
    /// <exception cref="ArgumentOutOfRangeException"><paramref name="limit"/> is negative, and not
    /// <see cref="Timeout.InfiniteTimeSpan"/>.</exception>
    /// <exception cref="ObjectDisposedException">The container is disposed.</exception>
    public async Task WindDownAsync(TimeSpan limit, CancellationToken cancellationToken = default)
    {
        ThrowIfDisposed();
        StagedWork.ThrowIfInside(this, nameof(WindDownAsync));
        ThrowIfAny(
            Disposal.FailureOf(await _warmUp.UndoAsync(this, limit, isLast: false, cancellationToken).ConfigureAwait(false), Description));
    }

    /// <summary>Completes when background work fails, with the exception; it never completes otherwise. If several fail, it has the first;
    /// the wind-down throws all.</summary>
    public Task<BackgroundException> BackgroundFailure => BackgroundFailed.Task;

    internal void TellBackgroundFailure(BackgroundException failure) => BackgroundFailed.TrySetResult(failure);

    private TaskCompletionSource<BackgroundException> BackgroundFailed => _backgroundFailed ?? Interlocked.CompareExchange(
        ref _backgroundFailed, new(TaskCreationOptions.RunContinuationsAsynchronously), null) ?? _backgroundFailed;

    /// <summary>Reports constructions, disposals, and the start and end of each scope, in order. Intended mainly for tests.</summary>
    /// <param name="observer">Called for each event in this container and its scopes, but not in its branches, on the thread of the event:
    /// by several threads at the same time if several are used. It must not throw.</param>
    /// <returns>Dispose it to unsubscribe. The disposal of the container is reported too.</returns>
    /// <exception cref="ArgumentNullException"><paramref name="observer"/> is null.</exception>
    /// <exception cref="ObjectDisposedException">The container is disposed.</exception>
    public IDisposable Observe(Action<LifeEvent> observer)
    {
        ArgumentNullException.ThrowIfNull(observer);
        ThrowIfDisposed();
        return Observers.Add(observer);
    }

    /// <summary>Waits for the compilation that runs in the background: for tests and benchmarks.</summary>
    /// <param name="cancellationToken">Cancels the waiting, not the compilation.</param>
    /// <returns>A task that completes when everything that was resolved often enough until now is compiled.</returns>
    /// <exception cref="OperationCanceledException"><paramref name="cancellationToken"/> was canceled.</exception>
    /// <exception cref="ObjectDisposedException">The container is disposed.</exception>
    public Task WaitForCompilationAsync(CancellationToken cancellationToken = default)
    {
        ThrowIfDisposed();
        return Plans.Codes.Idle.WaitAsync(cancellationToken);
    }

    /// <summary>Supplies a value that the wiring declares with <c>Singleton.Incoming&lt;T&gt;().SuppliedLater()</c>. Each can be supplied
    /// once.</summary>
    /// <typeparam name="T">The declared type.</typeparam>
    /// <param name="value">The value.</param>
    /// <exception cref="ArgumentNullException"><paramref name="value"/> is null.</exception>
    /// <inheritdoc cref="Supply(Incoming)" path="/exception"/>
    public void Supply<T>(T value)
        where T : notnull
    {
        ArgumentNullException.ThrowIfNull(value);
        Supply(Incoming.Value(value));
    }

    /// <summary>Supplies a value, perhaps marked, that the wiring declares with <c>Singleton.Incoming&lt;T&gt;().SuppliedLater()</c>. Each
    /// can be supplied once.</summary>
    /// <param name="incoming">The value, with the type and mark of its declaration; or <see cref="Incoming.FromHost"/>, for all that were
    /// not supplied yet and that the host has.</param>
    /// <exception cref="ArgumentNullException"><paramref name="incoming"/> is null.</exception>
    /// <exception cref="ResolveException">The wiring does not declare it as supplied later (JV107).</exception>
    /// <exception cref="InvalidOperationException">It was supplied already.</exception>
    /// <exception cref="ObjectDisposedException">The container is disposed.</exception>
    public void Supply(Incoming incoming)
    {
        ArgumentNullException.ThrowIfNull(incoming);
        ThrowIfDisposed();
        if (incoming.IsWholeHost)
        {
            SupplyFrom((IServiceProvider)incoming.Content);
            return;
        }

        ServiceId service = new(Plans.Types[incoming.Service], Plans.Types.MarkOf(incoming.Mark));
        IReadOnlyList<Node> declarations = Plans.Graph.LateIncomingFor(service);
        if (declarations.Count == 0)
        {
            throw new ResolveException(NotDeclaredFaults.Late(Plans.Graph, service));
        }

        bool isNew = false;
        foreach (Node declaration in declarations)
        {
            isNew |= Values.TryAdd(declaration, incoming.Content);
        }

        if (!isNew)
        {
            throw new InvalidOperationException($"{service} was supplied already: a value can be supplied only once.");
        }

        if (declarations.Any(declaration => declaration.Options.IsOwned == true))
        {
            OwnValues([incoming.Content]);
        }
    }

    private void SupplyFrom(IServiceProvider host)
    {
        List<Incoming> values = Plans.Read(graph => HostValues.Of(
            Plans.Types, graph.Registrations.Where(node => node.Has(RegistrationFlags.SuppliedLater) && !Values.Has(node)), host).ToList());
        foreach (Incoming value in values)
        {
            Supply(value);
        }
    }

    /// <summary>Whether the wiring declares an unmarked value of exactly this type with <c>Scoped.Incoming</c>: for adapters, which supply
    /// the values that they have where they are declared.</summary>
    /// <param name="service">The type.</param>
    /// <returns>True if it is declared.</returns>
    /// <exception cref="ArgumentNullException"><paramref name="service"/> is null.</exception>
    /// <exception cref="ObjectDisposedException">The container is disposed.</exception>
    public bool DeclaresIncoming(Type service) =>
        Plans.Graph.IncomingFor(new ServiceId(Plans.Types[NotNull(service)])).Any(declaration => declaration.Level == Level.Scoped);

    internal override Resolver? HomeOf(Level level) => level == Level.Singleton || level.IsTransient ? this : null;

    internal override bool CanStart(Level level) => level.Within is null;

    internal override object? Find(int slot) => Store.Find(slot);

    private Branches Branches => _branches ?? Interlocked.CompareExchange(ref _branches, new Branches(), null) ?? _branches;

    private void BeObserved(bool isObserved)
    {
        _isObserved = isObserved;
        Volatile.Read(ref _plans)?.SetObserved(isObserved);
    }

    /// <summary>Refuses further calls: this container, or the one that it was branched from, is being disposed.</summary>
    internal void Close()
    {
        Guard.Close();
        Branches.Close();
        Volatile.Read(ref _plans)?.Close();
    }

    /// <summary>The exception for the disposed one among this container and those that it was branched from.</summary>
    internal ObjectDisposedException DisposedExceptionOfRoot() =>
        Volatile.Read(ref _plans) is not null && _parent is not null ? _parent.DisposedExceptionOfRoot() : DisposedException();

    private static UsedPlugins? PluginsOf(IReadOnlyList<RegistrationData> entries)
    {
        for (int number = 0; number < entries.Count; number++)
        {
            if (entries[number].Plugin is not null)
            {
                return new UsedPlugins(entries);
            }
        }

        return null;
    }
}
