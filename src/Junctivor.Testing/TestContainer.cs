namespace Junctivor.Testing;

/// <summary>
/// A container for one test, which counts what it creates and disposes. Use it with <c>await using</c>, so that it ends before the test
/// does. Safe for use by several threads.
/// </summary>
/// <example>
/// <code>
/// await using TestContainer test = TestContainer.Of(HarbourWiring.Wiring.Replace&lt;IClock&gt;(stopped));
/// await using (Scope request = test.Container.StartScope())
/// {
///     request.Resolve&lt;BookingDesk&gt;();
/// }
///
/// Assert.Equal((1, 1), (test.Created&lt;BerthLedger&gt;(), test.Disposed&lt;BerthLedger&gt;()));
/// await test.EndAsync();
/// </code>
/// </example>
public sealed class TestContainer : IAsyncDisposable
{
    private readonly Lock _gate = new();
    private readonly List<object> _created = [];
    private readonly List<object> _disposed = [];
    private readonly List<string> _started = [];
    private readonly List<string> _ended = [];

    private TestContainer(Container container)
    {
        Container = container;
        container.Observe(Count);
    }

    /// <summary>The container.</summary>
    public Container Container { get; }

    /// <summary>How many scopes were started and are not disposed.</summary>
    public int OpenScopes
    {
        get
        {
            lock (_gate)
            {
                return _started.Count - _ended.Count;
            }
        }
    }

    /// <summary>Builds the container of a wiring.</summary>
    /// <param name="wiring">The wiring.</param>
    /// <param name="incoming">The values that the wiring declares with <c>Singleton.Incoming</c>.</param>
    /// <returns>The container; dispose it with <c>await using</c>.</returns>
    /// <exception cref="ArgumentNullException"><paramref name="wiring"/> is null.</exception>
    /// <exception cref="WiringException">The wiring has faults.</exception>
    public static TestContainer Of(Wiring wiring, params ReadOnlySpan<Incoming> incoming)
    {
        ArgumentNullException.ThrowIfNull(wiring);
        return new TestContainer(wiring.Build(incoming));
    }

    /// <summary>How many instances of exactly this class were created.</summary>
    /// <typeparam name="T">The class.</typeparam>
    /// <returns>The number.</returns>
    public int Created<T>() => CountOf<T>(_created);

    /// <summary>How many instances of exactly this class were disposed.</summary>
    /// <typeparam name="T">The class.</typeparam>
    /// <returns>The number.</returns>
    public int Disposed<T>() => CountOf<T>(_disposed);

    /// <summary>Winds down and disposes the container, as <see cref="DisposeAsync"/> does, and then fails if scopes are left
    /// open.</summary>
    /// <returns>A task that completes when everything is disposed.</returns>
    /// <exception cref="WiringTestException">Some scopes were not disposed: the message names their levels.</exception>
    /// <exception cref="AggregateException">A wind-down or a disposal threw.</exception>
    public async Task EndAsync()
    {
        await DisposeAsync().ConfigureAwait(false);
        lock (_gate)
        {
            if (_started.Count > _ended.Count)
            {
                IEnumerable<string> open = _started.CountBy(level => level)
                    .Select(each => (each.Key, Open: each.Value - _ended.Count(level => level == each.Key)))
                    .Where(each => each.Open > 0)
                    .Select(each => $"{each.Open} of level {each.Key}");
                throw new WiringTestException(
                    $"Scopes were started and not disposed: {string.Join(", ", open)}. Use await using, also where the work throws.");
            }
        }
    }

    /// <summary>Winds down and disposes the container.</summary>
    /// <returns>A task that completes when everything is disposed.</returns>
    /// <exception cref="AggregateException">A wind-down or a disposal threw.</exception>
    public ValueTask DisposeAsync() => Container.DisposeAsync();

    private void Count(LifeEvent happened)
    {
        lock (_gate)
        {
            switch (happened.Kind)
            {
                case LifeEventKind.Constructed:
                    _created.Add(happened.Instance!);
                    break;
                case LifeEventKind.Disposed:
                    _disposed.Add(happened.Instance!);
                    break;
                case LifeEventKind.ScopeStarted:
                    _started.Add(happened.Name);
                    break;
                default:
                    _ended.Add(happened.Name);
                    break;
            }
        }
    }

    private int CountOf<T>(List<object> instances)
    {
        lock (_gate)
        {
            return instances.Count(instance => instance.GetType() == typeof(T));
        }
    }
}
