namespace Junctivor.Requests;

/// <summary>Some of the open requests, linked to each other. Safe for use by several threads.</summary>
internal sealed class OpenList
{
    private readonly Lock _gate = new();
    private RequestScope? _first;

    public IReadOnlyList<string> Names
    {
        get
        {
            List<string> names = [];
            lock (_gate)
            {
                for (RequestScope? request = _first; request is not null; request = request.Behind)
                {
                    names.Add(request.ToString());
                }
            }

            return names;
        }
    }

    public void Add(RequestScope request)
    {
        lock (_gate)
        {
            request.Behind = _first;
            _first?.Before = request;
            _first = request;
        }
    }

    /// <summary>Takes it off; a second time does nothing.</summary>
    public void Remove(RequestScope request)
    {
        lock (_gate)
        {
            if (request.Before is null && _first != request)
            {
                return;
            }

            request.Behind?.Before = request.Before;
            if (request.Before is null)
            {
                _first = request.Behind;
            }
            else
            {
                request.Before.Behind = request.Behind;
            }

            request.Before = null;
            request.Behind = null;
        }
    }
}
