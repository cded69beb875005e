namespace Junctivor;

/// <summary>One session: the scope, and who is there. What can change is guarded by the gate of <see cref="Sessions"/>.</summary>
internal sealed class Session
{
    private readonly TaskCompletionSource<Scope> _scope = new(TaskCreationOptions.RunContinuationsAsynchronously);

    public Session(string key)
    {
        Key = key;
        Place = new LinkedListNode<Session>(this);
    }

    public string Key { get; }

    /// <summary>Its place among those that are idle; in no list while somebody is in it.</summary>
    public LinkedListNode<Session> Place { get; }

    /// <summary>The scope, once it has started.</summary>
    public Task<Scope> Scope => _scope.Task;

    /// <summary>How many visit it.</summary>
    public int Visitors { get; set; }

    /// <summary>When the last one left, as the clock's time stamp.</summary>
    public long IdleSince { get; set; }

    /// <summary>Whether nobody finds it any more.</summary>
    public bool IsRemoved { get; set; }

    /// <summary>Whether somebody ends it already.</summary>
    public bool IsBeingDisposed { get; set; }

    /// <summary>Starts the scope; what that throws, all who wait for it get, and nobody who comes later.</summary>
    public async Task StartAsync(Container container, ScopeLevel level, Incoming[] incoming, Action<Session> forget)
    {
        try
        {
            _scope.SetResult(await container.StartScopeAsync(level, incoming).ConfigureAwait(false));
        }
#pragma warning disable CA1031 // It comes out where the scope is awaited.
        catch (Exception failure)
#pragma warning restore CA1031
        {
            forget(this);
            _scope.SetException(failure);

            // Nobody may wait for it any more.
            _ = _scope.Task.Exception;
        }
    }
}
