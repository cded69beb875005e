
namespace Junctivor;

/// <summary>A visit of a session, which is not disposed during the visit. Created by <see cref="Sessions"/>. Safe for use by several
/// threads.</summary>
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
    /// <returns>A completed task; for the last visit of a session that is over, one that completes when that session is disposed.</returns>
    public ValueTask DisposeAsync() => Interlocked.Exchange(ref _sessions, null)?.LeaveAsync(_session) ?? ValueTask.CompletedTask;
}
