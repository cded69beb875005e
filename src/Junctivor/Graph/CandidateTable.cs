namespace Junctivor.Graph;

/// <summary>Who offers what. Most services are offered once, without a mark: that takes no more than a reference.</summary>
internal sealed class CandidateTable
{
    /// <summary>The services that are offered without a mark: by whom, stands on each. It is the one node that offers it where it was
    /// written, or a list of offers.</summary>
    private readonly List<TypeRef> _unmarked = [];

    private readonly List<List<Candidate>> _lists = [];
    private Dictionary<ServiceId, object>? _marked;

    public IEnumerable<Candidate> All
    {
        get
        {
            IEnumerable<Candidate> unmarked = _unmarked.SelectMany(type => Of(new ServiceId(type)));
            return _marked is null ? unmarked : unmarked.Concat(_marked.Keys.SelectMany(Of));
        }
    }

    /// <summary>Whether a service is offered by several.</summary>
    public bool IsAnyOfSeveral
    {
        get
        {
            foreach (List<Candidate> offers in _lists)
            {
                if (offers.Count > 1)
                {
                    return true;
                }
            }

            return false;
        }
    }

    /// <summary>The offers of each service that several serve.</summary>
    public IEnumerable<IReadOnlyList<Candidate>> OfSeveral => _lists.Where(offers => offers.Count > 1);

    public IReadOnlyList<Candidate> Of(ServiceId service) => Find(service) switch
    {
        Node only => [new Candidate(only, service, only.Order)],
        List<Candidate> offers => offers,
        _ => [],
    };

    /// <summary>The one who offers it; null if there is none, or more.</summary>
    public Node? OnlyOne(ServiceId service) => Find(service) switch
    {
        Node only => only,
        List<Candidate> { Count: 1 } offers => offers[0].Node,
        _ => null,
    };

    /// <summary>Adds an offer that stands where its node was written.</summary>
    public void Add(ServiceId service, Node node)
    {
        if (Find(service) is null)
        {
            Put(service, node);
        }
        else
        {
            ToChange(service).Add(new Candidate(node, service, node.Order));
        }
    }

    /// <summary>The offers of a service, to be changed.</summary>
    public List<Candidate> ToChange(ServiceId service)
    {
        if (Find(service) is not List<Candidate> offers)
        {
            offers = [.. Of(service)];
            _lists.Add(offers);
            Put(service, offers);
        }

        return offers;
    }

    /// <summary>Brings the offers of each service into the order in which they stand.</summary>
    public void Sort()
    {
        foreach (List<Candidate> offers in _lists)
        {
            Sort(offers);
        }
    }

    private static void Sort(List<Candidate> offers)
    {
        if (offers.Count > 1)
        {
            offers.Sort((one, other) => one.Position != other.Position ? one.Position - other.Position : one.Node.Order - other.Node.Order);
        }
    }

    private object? Find(ServiceId service) =>
        service.Mark is null ? service.Type.RegisteredCandidates : _marked is null ? null : FindMarked(service);

    private object? FindMarked(ServiceId service) => _marked!.GetValueOrDefault(service);

    private void Put(ServiceId service, object offered)
    {
        if (service.Mark is not null)
        {
            PutMarked(service, offered);
            return;
        }

        if (service.Type.RegisteredCandidates is null)
        {
            _unmarked.Add(service.Type);
        }

        service.Type.RegisteredCandidates = offered;
    }

    private void PutMarked(ServiceId service, object offered) => (_marked ??= [])[service] = offered;
}
