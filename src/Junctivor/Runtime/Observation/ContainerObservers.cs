using System.Diagnostics;
using Junctivor.Graph;
using Junctivor.Registering;
using Junctivor.Telemetry;

namespace Junctivor.Runtime;

/// <summary>
/// Tells those who observe a container, and those who listen to the meter and the activities of the process, what happens.
/// While nobody does, <see cref="IsOn"/> is all that is asked. Safe for use by several threads.
/// </summary>
/// <param name="slow">From how long a construction is an activity.</param>
/// <param name="changed">Told whether anybody observes, when that changes.</param>
internal sealed class ContainerObservers(TimeSpan slow, Action<bool> changed)
{
    private readonly Lock _gate = new();
    private volatile Action<LifeEvent>[] _observers = [];
    private volatile IRecorder[] _recorders = [];

    /// <summary>Those that record, and those that rest.</summary>
    private volatile IRecorder[] _allRecorders = [];

    /// <summary>Whether anybody wants to know.</summary>
    public bool IsOn => _observers.Length > 0 || IsRecorded || Measuring.IsOn;

    /// <summary>Whether somebody wants to know who resolved what.</summary>
    public bool IsRecorded => _recorders.Length > 0;

    /// <summary>Adds somebody who is told from now on, until what comes back is disposed.</summary>
    public IDisposable Add(Action<LifeEvent> observer)
    {
        // An observer may come twice; it is the wrapped one that goes.
        Action<LifeEvent> own = happened => observer(happened);
        Change(() => _observers = [.. _observers, own]);
        return new Observation(() => Change(() => _observers = [.. _observers.Where(each => each != own)]));
    }

    /// <inheritdoc cref="Add(Action{LifeEvent})"/>
    public IDisposable Add(IRecorder recorder)
    {
        Change(() =>
        {
            _allRecorders = [.. _allRecorders, recorder];
            _recorders = [.. _recorders, recorder];
        });
        return new Observation(() => Change(() =>
        {
            _allRecorders = Without(_allRecorders, recorder);
            _recorders = Without(_recorders, recorder);
        }));
    }

    /// <summary>Tells a recorder of nothing but the ends of scopes that it was told of, until it resumes: so that the container is as quick
    /// as without it.</summary>
    public void Rest(IRecorder recorder) => Change(() => _recorders = Without(_recorders, recorder));

    /// <summary>Tells a recorder of everything again.</summary>
    public void Resume(IRecorder recorder) => Change(() => _recorders = _allRecorders.Contains(recorder) && !_recorders.Contains(recorder)
        ? [.. _recorders, recorder]
        : _recorders);

    /// <param name="node">What was constructed.</param>
    /// <param name="instance">What came of it.</param>
    /// <param name="where">The container or scope that it belongs to.</param>
    /// <param name="started">When the call began.</param>
    /// <param name="arguments">What it was given.</param>
    /// <param name="by">The class or factory for which it was created, where somebody records that.</param>
    public void Constructed(Node node, object instance, Resolver where, long started, IReadOnlyList<object?> arguments, string? by)
    {
        TimeSpan took = Stopwatch.GetElapsedTime(started);
        if (Measuring.Instruments is { } instruments)
        {
            TagList tags = new() { { Instruments.Service, node.Name }, { Instruments.Lifetime, node.Level.Name } };
            instruments.Constructions.Add(1, tags);
            instruments.ConstructionTime.Record(took.TotalSeconds, tags);
            if (took >= slow)
            {
                Traces.AddConstruction(instruments, node.Name, node.Level.Name, (where as Scope)?.Activity, took);
            }
        }

        Record(node, instance, null, where, started, took, arguments, by);
        Notify(LifeEventKind.Constructed, instance, where);
    }

    /// <inheritdoc cref="Constructed"/>
    public void NotConstructed(
        Node node, Exception failure, Resolver where, long started, IReadOnlyList<object?> arguments, string? by)
    {
        CountFailure(node.Name, "construct", failure);
        Record(node, null, failure, where, started, Stopwatch.GetElapsedTime(started), arguments, by);
    }

    public void Requested(Plan plan, object instance, Resolver asked)
    {
        foreach (IRecorder recorder in _recorders)
        {
            recorder.Requested(plan.Node, instance, asked, Construction.InnermostName);
        }
    }

    public void Disposed(object instance, Resolver where, Exception? failure)
    {
        if (failure is not null && Measuring.IsOn)
        {
            CountFailure(TypeNames.Short(instance.GetType()), "dispose", failure);
        }

        foreach (IRecorder recorder in _recorders)
        {
            recorder.Disposed(instance);
        }

        Notify(LifeEventKind.Disposed, instance, where);
    }

    /// <returns>What to give back when the scope is disposed.</returns>
    public ScopeTrace Started(Scope scope, string level)
    {
        ScopeTrace trace = Measuring.Instruments is { } instruments ? Counted(instruments, level) : new ScopeTrace(level, false, null);
        foreach (IRecorder recorder in _recorders)
        {
            recorder.Started(scope);
        }

        Notify(LifeEventKind.ScopeStarted, level, null, scope);
        return trace;
    }

    public void ScopeEnded(Scope scope, ScopeTrace trace)
    {
        if (trace.IsCounted)
        {
            Measuring.Instruments?.ScopesOpen.Add(-1, new KeyValuePair<string, object?>(Instruments.Level, trace.Level));
        }

        if (trace.Activity is not null)
        {
            Traces.Stop(trace.Activity);
        }

        foreach (IRecorder recorder in _allRecorders)
        {
            recorder.Ended(scope);
        }

        Notify(LifeEventKind.ScopeEnded, trace.Level, null, scope);
    }

    private static ScopeTrace Counted(Instruments instruments, string level)
    {
        KeyValuePair<string, object?> tag = new(Instruments.Level, level);
        instruments.ScopesEntered.Add(1, tag);
        bool isCounted = instruments.ScopesOpen.Enabled;
        if (isCounted)
        {
            instruments.ScopesOpen.Add(1, tag);
        }

        return new ScopeTrace(level, isCounted, Traces.StartScope(instruments, level));
    }

    private static void CountFailure(string name, string stage, Exception failure) => Measuring.Instruments?.Failures.Add(
        1, new TagList
        {
            { Instruments.Service, name }, { Instruments.Stage, stage }, { Instruments.ErrorType, failure.GetType().FullName },
        });

    private void Record(
        Node node,
        object? instance,
        Exception? failure,
        Resolver where,
        long started,
        TimeSpan took,
        IReadOnlyList<object?> arguments,
        string? by)
    {
        foreach (IRecorder recorder in _recorders)
        {
            recorder.Constructed(new ConstructionRecord
            {
                Node = node,
                Instance = instance,
                Home = where,
                Arguments = arguments,
                RequestedBy = by,
                Began = started,
                Took = took,
                IsSlow = took >= slow,
                Failure = failure?.GetType(),
            });
        }
    }

    private void Change(Action change)
    {
        lock (_gate)
        {
            change();
            changed(_observers.Length > 0 || _recorders.Length > 0);
        }
    }

    private void Notify(LifeEventKind kind, object instance, Resolver where)
    {
        if (_observers.Length > 0)
        {
            Notify(kind, TypeNames.Short(instance.GetType()), instance, where);
        }
    }

    private void Notify(LifeEventKind kind, string name, object? instance, Resolver where)
    {
        Action<LifeEvent>[] observers = _observers;
        if (observers.Length == 0)
        {
            return;
        }

        LifeEvent happened = new(kind, name, instance, where);
        foreach (Action<LifeEvent> observer in observers)
        {
            observer(happened);
        }
    }

    private static IRecorder[] Without(IRecorder[] recorders, IRecorder left) => [.. recorders.Where(each => each != left)];

    private sealed class Observation(Action end) : IDisposable
    {
        public void Dispose() => end();
    }
}
