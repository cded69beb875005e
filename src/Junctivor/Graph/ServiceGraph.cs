namespace Junctivor.Graph;

/// <summary>What a wiring means: its nodes, and for each of their needs what meets it.</summary>
internal sealed class ServiceGraph
{
    private static readonly Dictionary<string, DeferredForm> DeferredForms = new(StringComparer.Ordinal)
    {
        ["System.Func`1"] = DeferredForm.Func,
        ["System.Lazy`1"] = DeferredForm.Lazy,
        ["Junctivor.FreshScope`1"] = DeferredForm.FreshScope,
    };

    private readonly Dictionary<ServiceId, List<Node>> _offers = [];
    private readonly Dictionary<Node, IReadOnlyList<Need>> _needs = [];
    private readonly Dictionary<Node, IReadOnlyList<Edge>> _edges = [];

    public ServiceGraph(IReadOnlyList<Node> nodes)
    {
        Nodes = nodes;
        SharedFolder = PlaceNames.SharedFolder(nodes.Select(node => node.Place));

        foreach (Node node in nodes)
        {
            foreach (ServiceId service in node.Offers)
            {
                Offer(service, node);
            }
        }

        foreach (Node node in nodes)
        {
            List<Need> needs = [.. node.Parameters.Select(parameter => new Need(node, parameter, SupplyFor(parameter)))];
            _needs.Add(node, needs);
            _edges.Add(node, [.. needs.SelectMany(EdgesOf)]);
        }
    }

    /// <summary>Every registration, in the order written.</summary>
    public IReadOnlyList<Node> Nodes { get; }

    public IEnumerable<Need> Needs => Nodes.SelectMany(NeedsOf);

    /// <summary>The folder that all places share, with its last separator; left away where places are shown.</summary>
    public string SharedFolder { get; }

    public IReadOnlyList<Node> Candidates(ServiceId service) =>
        _offers.TryGetValue(service, out List<Node>? nodes) ? nodes : [];

    public IReadOnlyList<Need> NeedsOf(Node node) => _needs[node];

    public IReadOnlyList<Edge> EdgesOf(Node node) => _edges[node];

    /// <summary>What somebody gets who asks for a service, by a parameter or at run time.</summary>
    public Supply SupplyFor(ServiceId service)
    {
        IReadOnlyList<Node> candidates = Candidates(service);
        if (candidates.Count == 1)
        {
            return new Supply.Single(candidates[0]);
        }

        if (candidates.Count > 1)
        {
            return new Supply.Ambiguous(service, candidates);
        }

        return DeferredForms.TryGetValue(service.Type.Definition, out DeferredForm form)
            ? Defer(form, service)
            : new Supply.Missing(service);
    }

    private Supply SupplyFor(Parameter parameter)
    {
        Supply supply = SupplyFor(new ServiceId(parameter.Type, parameter.Mark));
        return supply.Core is Supply.Missing missing && parameter.IsOptional ? new Supply.Nothing(missing.Service) : supply;
    }

    private Supply.Deferred Defer(DeferredForm form, ServiceId service)
    {
        TypeRef inner = service.Type.Arguments[0];
        return new Supply.Deferred(form, inner, SupplyFor(new ServiceId(inner, service.Mark)));
    }

    private void Offer(ServiceId service, Node node)
    {
        if (!_offers.TryGetValue(service, out List<Node>? nodes))
        {
            _offers.Add(service, nodes = []);
        }

        if (!nodes.Contains(node))
        {
            nodes.Add(node);
        }
    }

    /// <summary>What is reached in a scope of its own is no edge: it neither closes a cycle nor is held.</summary>
    private static IEnumerable<Edge> EdgesOf(Need need)
    {
        bool isDeferred = false;
        Supply supply = need.Supply;
        while (supply is Supply.Deferred deferred)
        {
            if (deferred.Form == DeferredForm.FreshScope)
            {
                yield break;
            }

            isDeferred = true;
            supply = deferred.Inner;
        }

        if (supply is Supply.Single single)
        {
            yield return new Edge(need, single.Node, isDeferred);
        }
    }
}
