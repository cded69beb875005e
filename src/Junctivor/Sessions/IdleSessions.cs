namespace Junctivor;

/// <summary>The sessions that nobody visits, the one that is idle the longest first, and the timer for it. Its owner guards it.</summary>
/// <param name="time">The clock.</param>
/// <param name="onDue">Called by the timer when a session may be due.</param>
internal sealed class IdleSessions(TimeProvider time, Action onDue) : IAsyncDisposable
{
    /// <summary>Timers have a longest time: for a longer one the clock is read again now and then.</summary>
    private static readonly TimeSpan MaxTimerInterval = TimeSpan.FromDays(1);

    private readonly LinkedList<Session> _sessions = [];
    private readonly ITimer _timer = time.CreateTimer(_ => onDue(), null, Timeout.InfiniteTimeSpan, Timeout.InfiniteTimeSpan);

    /// <summary>Whether the timer is set: for the session that was idle the longest then, which may have been entered since.</summary>
    private bool _isTimed;

    /// <summary>The session that is idle the longest; null if all are visited.</summary>
    public Session? Oldest => _sessions.First?.Value;

    /// <summary>A session was left by its last visitor.</summary>
    public void Add(Session session, TimeSpan timeout)
    {
        session.IdleSince = time.GetTimestamp();
        _sessions.AddLast(session.Place);
        if (!_isTimed)
        {
            SetTimer(timeout);
        }
    }

    /// <summary>A session is entered, or gone. Does nothing if it is not idle.</summary>
    public void Remove(Session session)
    {
        if (session.Place.List is not null)
        {
            _sessions.Remove(session.Place);
        }
    }

    /// <summary>The sessions that have been idle for at least a time; the timer is set for the next one.</summary>
    /// <param name="timeout">The time.</param>
    /// <param name="remove">Removes one of them, from here too.</param>
    public List<Session> TakeDue(TimeSpan timeout, Action<Session> remove)
    {
        List<Session> due = [];
        _isTimed = false;
        while (Oldest is { } oldest)
        {
            TimeSpan left = timeout - time.GetElapsedTime(oldest.IdleSince);
            if (left > TimeSpan.Zero)
            {
                SetTimer(left);
                break;
            }

            remove(oldest);
            due.Add(oldest);
        }

        return due;
    }

    public ValueTask DisposeAsync() => _timer.DisposeAsync();

    private void SetTimer(TimeSpan left)
    {
        _isTimed = true;
        _timer.Change(left < MaxTimerInterval ? left : MaxTimerInterval, Timeout.InfiniteTimeSpan);
    }
}
