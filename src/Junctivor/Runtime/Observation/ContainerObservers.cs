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

    /// <summary>Whether anybody wants to know.</summary>
    public bool IsOn => _observers.Length > 0 || Measuring.IsOn;

    /// <summary>Adds somebody who is told from now on, until what comes back is disposed of.</summary>
    public IDisposable Add(Action<LifeEvent> observer)
    {
        // An observer may come twice; it is the wrapped one that goes.
        Action<LifeEvent> own = happened => observer(happened);
        lock (_gate)
        {
            _observers = [.. _observers, own];
            changed(true);
        }

        return new Observation(() =>
        {
            lock (_gate)
            {
                _observers = [.. _observers.Where(each => each != own)];
                changed(_observers.Length > 0);
            }
        });
    }

    public void Constructed(Node node, object instance, Resolver where, long started)
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

        Notify(LifeEventKind.Constructed, instance, where);
    }

    public static void NotConstructed(Node node, Exception failure) => CountFailure(node.Name, "construct", failure);

    public void Disposed(object instance, Resolver where, Exception? failure)
    {
        if (failure is not null && Measuring.IsOn)
        {
            CountFailure(TypeNames.Short(instance.GetType()), "dispose", failure);
        }

        Notify(LifeEventKind.Disposed, instance, where);
    }

    /// <returns>What to give back when the scope is disposed.</returns>
    public ScopeTrace Started(Scope scope, string level)
    {
        ScopeTrace trace = Measuring.Instruments is { } instruments ? Counted(instruments, level) : new ScopeTrace(level, false, null);
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

    private sealed class Observation(Action end) : IDisposable
    {
        public void Dispose() => end();
    }
}
