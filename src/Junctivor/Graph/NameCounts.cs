namespace Junctivor.Graph;

/// <summary>
/// Counts who bears a short name, so that two types of one short name are shown with their namespaces
/// and a message never says "IClock is missing, but IClock is registered". Nothing is counted before the first message is written. Safe for
/// use by several threads.
/// </summary>
internal sealed class NameCounts
{
    private readonly Lock _gate = new();
    private HashSet<string>? _borne;
    private HashSet<string>? _shared;
    private readonly List<TypeRef> _uncounted = [];

    /// <summary>Adds a type, once.</summary>
    public void Enter(TypeRef type)
    {
        lock (_gate)
        {
            _uncounted.Add(type);
        }
    }

    public bool IsShared(string simpleName)
    {
        lock (_gate)
        {
            _borne ??= new HashSet<string>(StringComparer.Ordinal);
            _shared ??= new HashSet<string>(StringComparer.Ordinal);
            foreach (TypeRef type in _uncounted)
            {
                // A definition, and the same closed over the type parameters of a class, are one type to the reader.
                if (!(type.IsOpen && !type.IsDefinition) && !_borne.Add(type.SimpleName))
                {
                    _shared.Add(type.SimpleName);
                }
            }

            _uncounted.Clear();
            return _shared.Contains(simpleName);
        }
    }
}
