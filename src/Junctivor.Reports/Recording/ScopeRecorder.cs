using System.Diagnostics;
using System.Runtime.CompilerServices;
using Junctivor.Graph;
using Junctivor.Registering;
using Junctivor.Runtime;

namespace Junctivor.Reports.Recording;

/// <summary>
/// Records the scopes of a container, and what is created in them: types, numbers and times, and nothing of the instances themselves. It
/// keeps the last scopes only, and of each only so much. Safe for use by several threads.
/// </summary>
/// <param name="root">The container.</param>
/// <param name="kept">How many scopes are kept.</param>
/// <param name="keyOf">The key of the box that a node has in the drawing; null if it has none.</param>
/// <param name="most">How many scopes are recorded from one <see cref="BeginWindow"/> to the next. What is created in the others is not
/// recorded, nor are they.</param>
internal sealed class ScopeRecorder(Container root, int kept, Func<Node, string?> keyOf, int most = int.MaxValue) : IRecorder
{
    /// <summary>The version before anything was recorded.</summary>
    public const long Beginning = -1;

    private readonly Lock _gate = new();
    private readonly DateTimeOffset _began = DateTimeOffset.UtcNow;
    private readonly long _origin = Stopwatch.GetTimestamp();
    private readonly RecordedScope _container = new() { Number = 0, Level = Level.Singleton.Name, Began = 0 };
    private readonly LinkedList<RecordedScope> _scopes = new();
    private readonly ConditionalWeakTable<Resolver, RecordedScope> _byScope = [];
    private readonly ConditionalWeakTable<object, Known> _byInstance = [];
    private readonly Dictionary<string, (RecordedCount Count, long Version)> _counts = new(StringComparer.Ordinal);
    private long _version;
    private int _lastScope;
    private int _forgotten;
    private int _lastInstance;
    private int _open;
    private int _window;
    private int _inWindow;
    private int _openOfWindow;
    private bool _isFull;
    private volatile bool _isSample;

    /// <summary>Called when no more scopes are recorded in this window, and those of it are ended.</summary>
    public event Action? Full;

    /// <summary>Whether no more scopes are recorded in this window.</summary>
    public bool IsFull
    {
        get
        {
            lock (_gate)
            {
                return _isFull;
            }
        }
    }

    /// <summary>Records scopes again.</summary>
    public void BeginWindow()
    {
        lock (_gate)
        {
            _window++;
            _inWindow = 0;
            _openOfWindow = 0;
            _isFull = false;
        }
    }

    /// <summary>Nothing is told any more but the ends of scopes, for a while.</summary>
    public void Rest()
    {
        lock (_gate)
        {
            _isSample = true;
            foreach (RecordedScope scope in _scopes.Where(each => each.Ended is null && !each.Partly))
            {
                scope.Partly = true;
                scope.Version = ++_version;
            }
        }
    }

    /// <summary>What has changed since a version, and the present version; all since <see cref="Beginning"/>.</summary>
    /// <param name="since">The version.</param>
    /// <param name="read">Reads what has changed, during which nothing changes.</param>
    public long Read(long since, Action<Recorded> read)
    {
        lock (_gate)
        {
            read(new Recorded
            {
                Began = _began,
                Now = Now(),
                Kept = kept,
                Started = _lastScope - _forgotten,
                Open = _open,
                Sampled = _isSample,
                Counts = [.. _counts.Values.Where(counted => counted.Version > since).Select(counted => counted.Count)],
                Scopes = [.. _scopes.Prepend(_container).Where(scope => scope.Version > since)],
            });
            return _version;
        }
    }

    /// <summary>Whether anything has changed since a version.</summary>
    public bool HasChanged(long since)
    {
        lock (_gate)
        {
            return _version > since;
        }
    }

    /// <summary>Leaves out a scope that only serves those who look.</summary>
    public void Forget(Scope scope)
    {
        bool isDone = false;
        lock (_gate)
        {
            if (_byScope.TryGetValue(scope, out RecordedScope? recorded))
            {
                _byScope.Remove(scope);
                _scopes.Remove(recorded);
                _forgotten++;
                isDone = Close(recorded);
            }
        }

        if (isDone)
        {
            Full?.Invoke();
        }
    }

    public void Started(Scope scope)
    {
        bool isDone = false;
        lock (_gate)
        {
            if (_inWindow == most)
            {
                isDone = !_isFull && _openOfWindow == 0;
                _isFull = true;
                _isSample = true;
            }
            else
            {
                _inWindow++;
                _openOfWindow++;
                Add(scope);
            }
        }

        if (isDone)
        {
            Full?.Invoke();
        }
    }

    public void Ended(Scope scope)
    {
        bool isDone = false;
        lock (_gate)
        {
            if (_byScope.TryGetValue(scope, out RecordedScope? recorded))
            {
                _byScope.Remove(scope);
                isDone = Close(recorded);
            }
        }

        if (isDone)
        {
            Full?.Invoke();
        }
    }

    public void Constructed(ConstructionRecord construction)
    {
        if (_isSample && construction.Home != root && !_byScope.TryGetValue(construction.Home, out _))
        {
            return;
        }

        string? key = keyOf(construction.Node);
        lock (_gate)
        {
            RecordedScope? home = HomeOf(construction.Home);
            RecordedInstance instance = new()
            {
                Number = construction.Instance is null ? 0 : ++_lastInstance,
                Key = key,
                Name = construction.Node.Name,
                Lifetime = construction.Node.Level.Name,
                Began = Since(construction.Began),
                Took = Milliseconds(construction.Took),
                By = construction.RequestedBy,
                Arguments = ArgumentsOf(construction),
                Slow = construction.IsSlow,
                Failed = construction.Failure is null ? null : TypeNames.Short(construction.Failure),
                InOlderScope = home is null,
            };
            if (construction.Instance is { } made && IsNumbered(made))
            {
                _byInstance.AddOrUpdate(made, new Known(instance, home));
            }

            if (key is not null)
            {
                Count(key, count => construction.Instance is null
                    ? count with { Failed = count.Failed + 1 }
                    : count with { Created = count.Created + 1 });
                if (construction.Instance is not null)
                {
                    Open(home, key);
                }
            }

            // What others may be given is listed all the same where its scope is not known.
            if ((home ?? (construction.Node.Level.IsTransient ? null : _container)) is { } list)
            {
                Keep(list, instance, list.Instances);
            }
        }
    }

    public void Requested(Node? node, object instance, Resolver asked, string? by)
    {
        lock (_gate)
        {
            if (node is not null && HomeOf(asked) is { } home && NumberOf(instance, node) is { } number)
            {
                Keep(home, new RecordedRequest(Now(), number, by), home.Requests);
            }
        }
    }

    public void Disposed(object instance)
    {
        lock (_gate)
        {
            if (_byInstance.TryGetValue(instance, out Known? known))
            {
                known.Instance.Disposed ??= Now();
                known.Home?.Version = ++_version;
            }
        }
    }

    private void Add(Scope scope)
    {
        int? within = scope.Outer is Scope outer && _byScope.TryGetValue(outer, out RecordedScope? around) ? around.Number : null;
        RecordedScope recorded = new()
        {
            Number = ++_lastScope,
            Level = scope.State.Level.Name,
            Within = within,
            Began = Now(),
            Window = _window,
            Version = ++_version,
        };
        _byScope.Add(scope, recorded);
        _scopes.AddLast(recorded);
        _open++;
        if (_scopes.Count > kept)
        {
            RemoveOldest();
        }
    }

    private void RemoveOldest()
    {
        RecordedScope oldest = _scopes.First!.Value;
        _scopes.RemoveFirst();
        oldest.Instances.Clear();
        oldest.Requests.Clear();
        oldest.IsKept = false;
    }

    /// <summary>Those that were open when the recording began are not known, as nobody is told when they end.</summary>
    private RecordedScope? HomeOf(Resolver home) =>
        home == root ? _container : _byScope.TryGetValue(home, out RecordedScope? scope) ? scope : null;

    /// <returns>Whether it was the last one that is recorded in this window.</returns>
    private bool Close(RecordedScope scope)
    {
        scope.Ended = Now();
        scope.Version = ++_version;
        _open--;
        foreach (string key in scope.Keys)
        {
            Count(key, count => count with { Open = count.Open - 1 });
        }

        return scope.Window == _window && --_openOfWindow == 0 && _isFull;
    }

    private void Open(RecordedScope? home, string key)
    {
        if (home is { Number: > 0 } && home.Keys.Add(key))
        {
            Count(key, count => count with { Open = count.Open + 1 });
        }
    }

    private void Count(string key, Func<RecordedCount, RecordedCount> change)
    {
        bool isKnown = _counts.TryGetValue(key, out (RecordedCount Count, long) known);
        _counts[key] = (change(isKnown ? known.Count : new RecordedCount(key, 0, 0, 0)), ++_version);
    }

    private void Keep<T>(RecordedScope scope, T recorded, List<T> list)
    {
        scope.Version = ++_version;
        if (!scope.IsKept)
        {
            return;
        }

        if (list.Count < RecordedScope.Most)
        {
            list.Add(recorded);
        }
        else
        {
            scope.More++;
        }
    }

    private RecordedArgument[] ArgumentsOf(ConstructionRecord construction)
    {
        Parameter[] parameters = construction.Node.Parameters;
        Binding[] bindings = construction.Node.Bindings ?? [];
        RecordedArgument[] arguments = new RecordedArgument[Math.Min(parameters.Length, construction.Arguments.Count)];
        for (int number = 0; number < arguments.Length; number++)
        {
            arguments[number] = new RecordedArgument(
                parameters[number].Name,
                number < bindings.Length ? NumbersOf(construction.Arguments[number], bindings[number]) : []);
        }

        return arguments;
    }

    private IReadOnlyList<int> NumbersOf(object? argument, Binding binding) => (argument, binding) switch
    {
        (null, _) => [],
        (_, Binding.Single single) => NumberOf(argument, single.Node) is { } number ? [number] : [],
        (object[] elements, Binding.Many many) =>
        [
            .. elements.Zip(many.Elements).Take(RecordedScope.Most).SelectMany(each => NumbersOf(each.First, each.Second)),
        ],
        _ => [],
    };

    /// <summary>The number of an instance; what was created before the recording gets one when it is first seen. Values have
    /// none.</summary>
    private int? NumberOf(object instance, Node node)
    {
        if (!IsNumbered(instance))
        {
            return null;
        }

        if (!_byInstance.TryGetValue(instance, out Known? known))
        {
            Node source = node is { Kind: NodeKind.Alias, Bindings: [Binding.Single aliased, ..] } ? aliased.Node : node;
            if (!source.CreatesInstances)
            {
                return null;
            }

            known = new Known(
                new RecordedInstance
                {
                    Number = ++_lastInstance,
                    Key = keyOf(source),
                    Name = source.Name,
                    Lifetime = source.Level.Name,
                },
                _container);
            _byInstance.Add(instance, known);
            Keep(_container, known.Instance, _container.Instances);
        }

        return known.Instance.Number;
    }

    private static bool IsNumbered(object instance) => !instance.GetType().IsValueType;

    private double Now() => Since(Stopwatch.GetTimestamp());

    private double Since(long timestamp) => Milliseconds(Stopwatch.GetElapsedTime(_origin, timestamp));

    private static double Milliseconds(TimeSpan time) => Math.Round(time.TotalMilliseconds, 3);

    private sealed record Known(RecordedInstance Instance, RecordedScope? Home);
}
