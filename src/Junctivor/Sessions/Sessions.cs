using System.Diagnostics.CodeAnalysis;

namespace Junctivor;

/// <summary>
/// Keeps scopes of a level of your own by key, from one visit to the next: a user's session around requests, a duty shift, a
/// conversation. A session starts with its first visit. It is disposed after an idle time, when it is dropped, or when there are too many
/// and it has been idle the longest; never during a visit. All members are safe for use by several threads.
/// </summary>
/// <example>
/// <code>
/// Sessions sessions = new(container, Levels.UserSession, (key, failure) => LogAsync(key, failure))
/// {
///     IdleTimeout = TimeSpan.FromMinutes(30),
/// };
/// await using SessionVisit visit = await sessions.EnterAsync(key);
/// await using Scope request = visit.Scope.StartScope();
/// </code>
/// </example>
public sealed class Sessions : IAsyncDisposable
{
    private readonly Lock _gate = new();
    private readonly Container _container;
    private readonly ScopeLevel _level;
    private readonly Func<string, Exception, Task> _onFailure;
    private readonly Dictionary<string, Session> _sessions = new(StringComparer.Ordinal);
    private readonly IdleSessions _idle;
    private readonly HashSet<Task> _disposals = [];

    private bool _isDisposed;

    /// <summary>Creates an empty collection of sessions.</summary>
    /// <param name="container">The container in which the sessions are started.</param>
    /// <param name="level">The level of a session: one that is started from the container.</param>
    /// <param name="onFailure">Called with the key of each session whose disposal failed, and the exception. It must not throw.</param>
    /// <param name="time">The clock and its timers; <see cref="TimeProvider.System"/> if it is null.</param>
    /// <exception cref="ArgumentNullException">An argument other than <paramref name="time"/> is null.</exception>
    public Sessions(Container container, ScopeLevel level, Func<string, Exception, Task> onFailure, TimeProvider? time = null)
    {
        ArgumentNullException.ThrowIfNull(container);
        ArgumentNullException.ThrowIfNull(level);
        ArgumentNullException.ThrowIfNull(onFailure);
        _container = container;
        _level = level;
        _onFailure = onFailure;
        _idle = new IdleSessions(time ?? TimeProvider.System, DropIdle);
    }

    /// <summary>The maximum number of sessions. The default is 10,000.</summary>
    /// <exception cref="ArgumentOutOfRangeException">The value is less than 1.</exception>
    public int MaxCount
    {
        get;
        init
        {
            ArgumentOutOfRangeException.ThrowIfLessThan(value, 1);
            field = value;
        }
    } = 10_000;

    /// <summary>The time without a visit after which a session is disposed. The default is 20 minutes.</summary>
    /// <exception cref="ArgumentOutOfRangeException">The value is not greater than zero.</exception>
    public TimeSpan IdleTimeout
    {
        get;
        init
        {
            ArgumentOutOfRangeException.ThrowIfLessThanOrEqual(value, TimeSpan.Zero);
            field = value;
        }
    } = TimeSpan.FromMinutes(20);

    /// <summary>The number of sessions now.</summary>
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

    /// <summary>Enters a session, and starts it if there is none with this key.</summary>
    /// <param name="key">The key of the session. Case-sensitive.</param>
    /// <param name="incoming">The values that the wiring declares with the level's <c>Incoming</c>; used if the session is started.</param>
    /// <param name="cancellationToken">Cancels the wait; a session that is starting continues to start, because others may wait for
    /// it.</param>
    /// <returns>The visit; dispose it with <c>await using</c>.</returns>
    /// <exception cref="ArgumentNullException"><paramref name="key"/> is null.</exception>
    /// <exception cref="SessionsFullException">There are <see cref="MaxCount"/> sessions, and all are in use.</exception>
    /// <exception cref="ResolveException">The level cannot be started from the container (JV305), or a value was supplied that the wiring
    /// does not declare (JV107).</exception>
    /// <exception cref="ConstructionException">An asynchronous factory of the level threw.</exception>
    /// <exception cref="ObjectDisposedException">This or the container is disposed.</exception>
    public ValueTask<SessionVisit> EnterAsync(
        string key, ReadOnlySpan<Incoming> incoming = default, CancellationToken cancellationToken = default)
    {
        ArgumentNullException.ThrowIfNull(key);
        Session session = Enter(key, out bool isNew, out Session? dropped);
        if (dropped is not null)
        {
            DisposeIfLeft(dropped);
        }

        if (isNew)
        {
            _ = session.StartAsync(_container, _level, incoming.ToArray(), Forget);
        }

        return VisitAsync(session, cancellationToken);
    }

    /// <summary>Disposes a session when its last visit ends, for example after a user signed out. The next visit with its key starts a new
    /// one.</summary>
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

        DisposeIfLeft(session);
        return true;
    }

    /// <summary>Disposes all sessions: idle ones now, the others after their last visit. Call it before the container is disposed, such
    /// as in a <c>WindDown</c>. A second call does nothing.</summary>
    /// <returns>A task that completes when the idle sessions are disposed, and those whose last visit is ending.</returns>
    public async ValueTask DisposeAsync()
    {
        Session[] all;
        lock (_gate)
        {
            _isDisposed = true;
            all = [.. _sessions.Values];
            Array.ForEach(all, Remove);
        }

        Array.ForEach(all, DisposeIfLeft);
        await _idle.DisposeAsync().ConfigureAwait(false);
        Task[] endings;
        lock (_gate)
        {
            endings = [.. _disposals];
        }

        await Task.WhenAll(endings).ConfigureAwait(false);
    }

    internal ValueTask LeaveAsync(Session session)
    {
        Task? ending;
        lock (_gate)
        {
            session.Visitors--;
            ending = BeginDisposal(session);
            if (session.Visitors == 0 && !session.IsRemoved)
            {
                _idle.Add(session, IdleTimeout);
            }
        }

        return ending is null ? ValueTask.CompletedTask : new ValueTask(ending);
    }

    /// <summary>Enters a session that has started, without awaiting anything: for adapters, which otherwise call
    /// <see cref="EnterAsync(string, ReadOnlySpan{Incoming}, CancellationToken)"/> with the values of a new session.</summary>
    /// <param name="key">The key of the session.</param>
    /// <param name="visit">The visit, which must be disposed; null if there is none.</param>
    /// <returns>False if the session has not started, is still starting, or these sessions are disposed.</returns>
    /// <exception cref="ArgumentNullException"><paramref name="key"/> is null.</exception>
    public bool TryEnter(string key, [NotNullWhen(true)] out SessionVisit? visit)
    {
        ArgumentNullException.ThrowIfNull(key);
        lock (_gate)
        {
            if (_isDisposed || !_sessions.TryGetValue(key, out Session? session) || !session.Scope.IsCompletedSuccessfully)
            {
                visit = null;
                return false;
            }

            BeVisited(session);
            visit = new SessionVisit(this, session, session.Scope.Result);
            return true;
        }
    }

    private Session Enter(string key, out bool isNew, out Session? dropped)
    {
        lock (_gate)
        {
            ObjectDisposedException.ThrowIf(_isDisposed, this);
            dropped = null;
            isNew = !_sessions.TryGetValue(key, out Session? session);
            if (session is null)
            {
                dropped = _sessions.Count < MaxCount ? null : _idle.Oldest ?? throw new SessionsFullException(MaxCount);
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

    /// <summary>Removes a session that failed to start; the next visit tries again.</summary>
    private void Forget(Session session)
    {
        lock (_gate)
        {
            if (!session.IsRemoved)
            {
                Remove(session);
            }
        }
    }

    private void DropIdle()
    {
        List<Session> due;
        lock (_gate)
        {
            due = _idle.TakeDue(_isDisposed ? TimeSpan.Zero : IdleTimeout, Remove);
        }

        due.ForEach(DisposeIfLeft);
    }

    /// <summary>Under the gate: no visit finds it any more.</summary>
    private void Remove(Session session)
    {
        session.IsRemoved = true;
        _sessions.Remove(session.Key);
        _idle.Remove(session);
    }

    private void BeVisited(Session session)
    {
        _idle.Remove(session);
        session.Visitors++;
    }

    /// <summary>Disposes a session that is over, unless it is being visited: then the last visit does.</summary>
    private void DisposeIfLeft(Session session)
    {
        lock (_gate)
        {
            BeginDisposal(session);
        }
    }

    /// <summary>Under the gate: begins the disposal of a session that is over, if it is not visited and disposal has not begun.</summary>
    /// <returns>The disposal; null if there is nothing to do.</returns>
    private Task? BeginDisposal(Session session)
    {
        if (session is not { IsRemoved: true, Visitors: 0, IsBeingDisposed: false })
        {
            return null;
        }

        session.IsBeingDisposed = true;
        Task ending = Task.Run(() => DisposeSessionAsync(session));
        _disposals.Add(ending);
        ending.ContinueWith(ForgetDisposal, CancellationToken.None, TaskContinuationOptions.ExecuteSynchronously, TaskScheduler.Default);
        return ending;
    }

    private void ForgetDisposal(Task ending)
    {
        lock (_gate)
        {
            _disposals.Remove(ending);
        }
    }

    private async Task DisposeSessionAsync(Session session)
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
