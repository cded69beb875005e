
namespace Junctivor;

/// <summary>
/// Keeps scopes of a level of your own by key, from one visit to the next: a user's session around requests, a duty shift, a
/// conversation. A session starts with its first visit, and ends when nobody has visited it for a while, when it is dropped, or when
/// there are too many and it is the one left the longest ago. While somebody visits it, it does not end. All members are safe for use
/// by several threads.
/// </summary>
/// <example>
/// <code>
/// Sessions sessions = new(container, Levels.UserSession, TimeProvider.System, (key, failure) => LogAsync(key, failure)) { IdleTimeout = TimeSpan.FromMinutes(30) };
/// await using SessionVisit visit = await sessions.EnterAsync(key);
/// await using Scope request = visit.Scope.StartScope();
/// </code>
/// </example>
public sealed class Sessions : IAsyncDisposable
{
    /// <summary>Timers have a longest time: so it is looked at the clock again now and then.</summary>
    private static readonly TimeSpan LongestTime = TimeSpan.FromDays(1);

    private readonly Lock _gate = new();
    private readonly Container _container;
    private readonly ScopeLevel _level;
    private readonly TimeProvider _time;
    private readonly Func<string, Exception, Task> _onFailure;
    private readonly Dictionary<string, Session> _sessions = new(StringComparer.Ordinal);
    private readonly LinkedList<Session> _idle = [];
    private readonly HashSet<Task> _endings = [];
    private readonly ITimer _timer;

    /// <summary>Whether the timer is set: for the session that was idle first when it was, which may have been entered since.</summary>
    private bool _isTimed;

    private bool _hasEnded;

    /// <summary>Makes one without sessions.</summary>
    /// <param name="container">Where the sessions start.</param>
    /// <param name="level">The level of a session: one that is entered from the container.</param>
    /// <param name="time">What the time is; <see cref="TimeProvider.System"/>, or a test's own.</param>
    /// <param name="onFailure">Told the key of each session that did not end well, and why. It must not throw.</param>
    /// <exception cref="ArgumentNullException">Something is null.</exception>
    public Sessions(Container container, ScopeLevel level, TimeProvider time, Func<string, Exception, Task> onFailure)
    {
        ArgumentNullException.ThrowIfNull(container);
        ArgumentNullException.ThrowIfNull(level);
        ArgumentNullException.ThrowIfNull(time);
        ArgumentNullException.ThrowIfNull(onFailure);
        _container = container;
        _level = level;
        _time = time;
        _onFailure = onFailure;
        _timer = time.CreateTimer(_ => DropIdle(), null, Timeout.InfiniteTimeSpan, Timeout.InfiniteTimeSpan);
    }

    /// <summary>How many sessions there are at once, at the most; 10,000 by default.</summary>
    /// <exception cref="ArgumentOutOfRangeException">It is less than one.</exception>
    public int MaxSessions
    {
        get;
        init
        {
            ArgumentOutOfRangeException.ThrowIfLessThan(value, 1);
            field = value;
        }
    } = 10_000;

    /// <summary>For how long nobody has visited a session when it ends; 20 minutes by default.</summary>
    /// <exception cref="ArgumentOutOfRangeException">It is not more than zero.</exception>
    public TimeSpan IdleTimeout
    {
        get;
        init
        {
            ArgumentOutOfRangeException.ThrowIfLessThanOrEqual(value, TimeSpan.Zero);
            field = value;
        }
    } = TimeSpan.FromMinutes(20);

    /// <summary>How many sessions there are now.</summary>
    public int Count
    {
        get
        {
            lock (_gate)
            {
                return _sessions.Count;
            }
        }
    }

    /// <summary>Visits a session; starts it, if there is none of that key.</summary>
    /// <param name="key">Tells the sessions apart; upper and lower case are different.</param>
    /// <param name="incoming">The values that the wiring promises with the level's <c>Incoming</c>; taken if the session starts.</param>
    /// <returns>The visit; end it with <c>await using</c>.</returns>
    /// <exception cref="ArgumentNullException"><paramref name="key"/> is null.</exception>
    /// <exception cref="SessionsFullException">There are <see cref="MaxSessions"/> sessions, and all are being visited.</exception>
    /// <exception cref="ResolveException">The level cannot start from the container (JV305), or a value was handed over that the wiring
    /// does not promise (JV107).</exception>
    /// <exception cref="ConstructionException">A factory that the start awaits threw.</exception>
    /// <exception cref="ObjectDisposedException">This or the container has ended.</exception>
    public ValueTask<SessionVisit> EnterAsync(string key, params ReadOnlySpan<Incoming> incoming) => EnterAsync(key, CancellationToken.None, incoming);

    /// <inheritdoc cref="EnterAsync(string, ReadOnlySpan{Incoming})"/>
    /// <param name="key">Tells the sessions apart; upper and lower case are different.</param>
    /// <param name="cancellationToken">Ends the waiting; a session that has begun to start goes on, as others may wait for it too.</param>
    /// <param name="incoming">The values that the wiring promises with the level's <c>Incoming</c>; taken if the session starts.</param>
    public ValueTask<SessionVisit> EnterAsync(string key, CancellationToken cancellationToken, params ReadOnlySpan<Incoming> incoming)
    {
        ArgumentNullException.ThrowIfNull(key);
        Session session = Enter(key, out bool isNew, out Session? dropped);
        if (dropped is not null)
        {
            End(dropped);
        }

        if (isNew)
        {
            _ = session.StartAsync(_container, _level, incoming.ToArray(), Forget);
        }

        return VisitAsync(session, cancellationToken);
    }

    /// <summary>Ends a session as soon as nobody visits it, such as when a user signs out. Whoever comes with its key later, starts another.</summary>
    /// <param name="key">Its key.</param>
    /// <returns>Whether there was one.</returns>
    /// <exception cref="ArgumentNullException"><paramref name="key"/> is null.</exception>
    public bool Drop(string key)
    {
        ArgumentNullException.ThrowIfNull(key);
        Session? session;
        lock (_gate)
        {
            if (!_sessions.TryGetValue(key, out session))
            {
                return false;
            }

            Remove(session);
        }

        End(session);
        return true;
    }

    /// <summary>Ends all sessions: those that nobody visits now, the others when they are left. Do it before the container ends, such as
    /// in a <c>WindDown</c>. A second call does nothing.</summary>
    /// <returns>What completes when those that nobody visits have ended, and those whose last visitor is leaving.</returns>
    public async ValueTask DisposeAsync()
    {
        Session[] all;
        lock (_gate)
        {
            _hasEnded = true;
            all = [.. _sessions.Values];
            Array.ForEach(all, Remove);
        }

        Array.ForEach(all, End);
        await _timer.DisposeAsync().ConfigureAwait(false);
        Task[] endings;
        lock (_gate)
        {
            endings = [.. _endings];
        }

        await Task.WhenAll(endings).ConfigureAwait(false);
    }

    internal ValueTask LeaveAsync(Session session)
    {
        Task? ending;
        lock (_gate)
        {
            session.Visitors--;
            ending = BeginEnd(session);
            if (session.Visitors == 0 && !session.IsOver)
            {
                session.IdleSince = _time.GetTimestamp();
                _idle.AddLast(session.Place);
                if (!_isTimed)
                {
                    SetTimer(IdleTimeout);
                }
            }
        }

        return ending is null ? ValueTask.CompletedTask : new ValueTask(ending);
    }

    /// <summary>Enters a session that is there already: without what a new one would be started with, and without awaiting anything.</summary>
    /// <returns>The visit; null where the session must be started, or is being started.</returns>
    internal SessionVisit? TryEnter(string key)
    {
        lock (_gate)
        {
            if (_hasEnded || !_sessions.TryGetValue(key, out Session? session) || !session.Scope.IsCompletedSuccessfully)
            {
                return null;
            }

            BeVisited(session);
            return new SessionVisit(this, session, session.Scope.Result);
        }
    }

    private Session Enter(string key, out bool isNew, out Session? dropped)
    {
        lock (_gate)
        {
            ObjectDisposedException.ThrowIf(_hasEnded, this);
            dropped = null;
            isNew = !_sessions.TryGetValue(key, out Session? session);
            if (session is null)
            {
                dropped = _sessions.Count < MaxSessions ? null : _idle.First?.Value ?? throw new SessionsFullException(MaxSessions);
                if (dropped is not null)
                {
                    Remove(dropped);
                }

                _sessions.Add(key, session = new Session(key));
            }

            BeVisited(session);
            return session;
        }
    }

    private async ValueTask<SessionVisit> VisitAsync(Session session, CancellationToken cancellationToken)
    {
        try
        {
            return new SessionVisit(this, session, await session.Scope.WaitAsync(cancellationToken).ConfigureAwait(false));
        }
        catch
        {
            await LeaveAsync(session).ConfigureAwait(false);
            throw;
        }
    }

    /// <summary>One that did not start, whoever still waits for it; the next visit tries anew.</summary>
    private void Forget(Session session)
    {
        lock (_gate)
        {
            if (!session.IsOver)
            {
                Remove(session);
            }
        }
    }

    private void DropIdle()
    {
        List<Session> due = [];
        lock (_gate)
        {
            _isTimed = false;
            while (_idle.First?.Value is { } oldest)
            {
                TimeSpan left = IdleTimeout - _time.GetElapsedTime(oldest.IdleSince);
                if (left > TimeSpan.Zero && !_hasEnded)
                {
                    SetTimer(left);
                    break;
                }

                Remove(oldest);
                due.Add(oldest);
            }
        }

        due.ForEach(End);
    }

    private void SetTimer(TimeSpan left)
    {
        _isTimed = true;
        _timer.Change(left < LongestTime ? left : LongestTime, Timeout.InfiniteTimeSpan);
    }

    /// <summary>Under the gate: nobody finds it any more.</summary>
    private void Remove(Session session)
    {
        session.IsOver = true;
        _sessions.Remove(session.Key);
        LeaveIdle(session);
    }

    private void BeVisited(Session session)
    {
        LeaveIdle(session);
        session.Visitors++;
    }

    private void LeaveIdle(Session session)
    {
        if (session.Place.List is not null)
        {
            _idle.Remove(session.Place);
        }
    }

    /// <summary>Ends one that is over, unless somebody is still there: the last to leave ends it then.</summary>
    private void End(Session session)
    {
        lock (_gate)
        {
            BeginEnd(session);
        }
    }

    /// <summary>Under the gate: begins the end of one that is over, if nobody is there and nobody has begun it.</summary>
    /// <returns>The end; null where there is nothing to do.</returns>
    private Task? BeginEnd(Session session)
    {
        if (session is not { IsOver: true, Visitors: 0, IsEnding: false })
        {
            return null;
        }

        session.IsEnding = true;
        Task ending = Task.Run(() => EndAsync(session));
        _endings.Add(ending);
        ending.ContinueWith(Ended, CancellationToken.None, TaskContinuationOptions.ExecuteSynchronously, TaskScheduler.Default);
        return ending;
    }

    private void Ended(Task ending)
    {
        lock (_gate)
        {
            _endings.Remove(ending);
        }
    }

    private async Task EndAsync(Session session)
    {
        await Task.WhenAny(session.Scope).ConfigureAwait(false);
        if (session.Scope.IsFaulted)
        {
            return;
        }

        try
        {
            await session.Scope.Result.DisposeAsync().ConfigureAwait(false);
        }
#pragma warning disable CA1031 // A session ends behind everybody's back; whatever went wrong is told, and no visit fails by it.
        catch (Exception failure)
#pragma warning restore CA1031
        {
            await _onFailure(session.Key, failure).ConfigureAwait(false);
        }
    }
}
