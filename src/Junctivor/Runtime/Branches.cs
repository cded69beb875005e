namespace Junctivor.Runtime;

/// <summary>The branches of a container, as long as somebody holds them: they close with it. Safe for use by several threads.</summary>
internal sealed class Branches
{
    private readonly Lock _gate = new();
    private List<WeakReference<Container>>? _branches;
    private bool _areClosed;

    public void Add(Container branch)
    {
        lock (_gate)
        {
            _branches = [.. (_branches ?? []).Where(known => known.TryGetTarget(out _)), new(branch)];
            if (_areClosed)
            {
                branch.Close();
            }
        }
    }

    public void Close()
    {
        lock (_gate)
        {
            _areClosed = true;
            if (_branches is not null)
            {
                CloseAll(_branches);
            }
        }
    }

    private static void CloseAll(List<WeakReference<Container>> branches)
    {
        foreach (WeakReference<Container> known in branches)
        {
            if (known.TryGetTarget(out Container? branch))
            {
                branch.Close();
            }
        }
    }
}
