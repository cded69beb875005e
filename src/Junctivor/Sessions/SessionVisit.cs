
namespace Junctivor;

/// <summary>A visit in a session: while it lasts, the session does not end. Made by <see cref="Sessions"/>.</summary>
public sealed class SessionVisit : IAsyncDisposable
{
    private readonly Session _session;
    private Sessions? _sessions;

    internal SessionVisit(Sessions sessions, Session session, Scope scope)
    {
        _sessions = sessions;
        _session = session;
        Scope = scope;
    }

    /// <summary>The scope of the session; start those of requests from it. It must not be used after the visit.</summary>
    public Scope Scope { get; }

    /// <summary>The key of the session.</summary>
    public string Key => _session.Key;

    /// <summary>Leaves the session. A second call does nothing.</summary>
    /// <returns>What completes at once, or, for the last to leave a session that is over, when that has ended.</returns>
    public ValueTask DisposeAsync() => Interlocked.Exchange(ref _sessions, null)?.LeaveAsync(_session) ?? ValueTask.CompletedTask;
}
