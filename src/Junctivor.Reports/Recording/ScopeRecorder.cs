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
/// <param name="keyOf">The key of the box that a node has in the drawing; null where it has none.</param>
internal sealed class ScopeRecorder(Container root, int kept, Func<Node, string?> keyOf) : IRecorder
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
        lock (_gate)
        {
            if (_byScope.TryGetValue(scope, out RecordedScope? recorded))
            {
                _byScope.Remove(scope);
                _scopes.Remove(recorded);
                _forgotten++;
                Close(recorded);
            }
        }
    }

    public void Started(Scope scope)
    {
        lock (_gate)
        {
            int? within = scope.Outer is Scope outer && _byScope.TryGetValue(outer, out RecordedScope? around) ? around.Number : null;
            RecordedScope recorded = new()
            {
                Number = ++_lastScope,
                Level = scope.State.Level.Name,
                Within = within,
                Began = Now(),
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
    }

    public void Ended(Scope scope)
    {
        lock (_gate)
        {
            if (_byScope.TryGetValue(scope, out RecordedScope? recorded))
            {
                _byScope.Remove(scope);
                Close(recorded);
            }
        }
    }

    public void Constructed(ConstructionRecord construction)
    {
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

    private void Close(RecordedScope scope)
    {
        scope.Ended = Now();
        scope.Version = ++_version;
        _open--;
        foreach (string key in scope.Keys)
        {
            Count(key, count => count with { Open = count.Open - 1 });
        }
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
