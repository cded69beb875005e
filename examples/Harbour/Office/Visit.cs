namespace Harbour.Office;

/// <summary>One request, with the roll of the scoped services that work for it. The first created, and so the last ended.</summary>
public sealed class Visit(Muster muster, Caller caller) : IDisposable
{
    private readonly List<object> _present = [];
    private int _made;

    /// <summary>The number of the request's scope.</summary>
    public int Number { get; } = muster.NextVisit();

    public Caller Caller { get; } = caller;

    public string Enter(object service)
    {
        _present.Add(service);
        _made++;
        return muster.Badge(service);
    }

    public void Leave(object service) => _present.Remove(service);

    public void Dispose() => muster.HasEnded(Number, new VisitEnd(_made, _made - _present.Count));
}
