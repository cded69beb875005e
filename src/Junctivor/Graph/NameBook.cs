namespace Junctivor.Graph;

/// <summary>
/// Counts who bears a short name, so that two types of one short name are shown with their namespaces
/// and a message never says "IClock is missing, but IClock is registered". Safe for use by several threads.
/// </summary>
internal sealed class NameBook
{
    private readonly object _gate = new();
    private readonly Dictionary<string, string> _firstBearer = new(StringComparer.Ordinal);
    private readonly HashSet<string> _shared = new(StringComparer.Ordinal);

    public void Enter(string simpleName, string id)
    {
        lock (_gate)
        {
            if (!_firstBearer.TryGetValue(simpleName, out string? bearer))
            {
                _firstBearer.Add(simpleName, id);
            }
            else if (bearer != id)
            {
                _shared.Add(simpleName);
            }
        }
    }

    public bool IsShared(string simpleName)
    {
        lock (_gate)
        {
            return _shared.Contains(simpleName);
        }
    }
}
