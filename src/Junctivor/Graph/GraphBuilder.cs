namespace Junctivor.Graph;

/// <summary>
/// Builds the graph of a wiring: binds the dependencies of its registrations, of the nodes that these are bound to, and so on. Later it
/// adds what calls at run time need and no registration does. One thread at a time may use it: its owner guards that.
/// </summary>
internal sealed class GraphBuilder
{
    private readonly EffectiveRegistrations _effective;
    private readonly CandidateFinder _candidates;
    private readonly Binder _binder;
    private readonly TypeGrowth _growth;
    private readonly ITypeReader _reader;
    private readonly NodeList _nodes;

    private GraphBuilder(IReadOnlyList<Node> registrations, ITypeReader reader)
    {
        _reader = reader;
        _nodes = new NodeList(registrations.Count);
        _effective = new EffectiveRegistrations(registrations);
        _growth = new TypeGrowth();
        _candidates = new CandidateFinder(_effective, reader, _growth);
        _binder = new Binder(_candidates, reader, _growth);
        Graph = null!;
    }

    /// <summary>The graph as it is now.</summary>
    public ServiceGraph Graph { get; private set; }

    /// <summary>Builds the graph.</summary>
    /// <param name="registrations">Every registration, in the order of the wiring, whether it counts or not.</param>
    /// <param name="reader">Reads types.</param>
    public static GraphBuilder Build(IReadOnlyList<Node> registrations, ITypeReader reader)
    {
        GraphBuilder builder = new(registrations, reader);
        List<Node> start = builder.Start(registrations);
        builder.Complete(start);
        IReadOnlyCollection<Node> unrequested = builder._binder.HasFilled ? builder.FindUnrequested(start) : [];
        builder.Graph =
            new ServiceGraph(
                registrations,
                builder._effective,
                builder._nodes,
                unrequested,
                builder._candidates,
                builder._binder,
                builder._growth,
                reader);
        return builder;
    }

    /// <summary>The binding of a call at run time.</summary>
    public Binding Bind(ServiceId service)
    {
        return Completed(_binder.Bind(service, null));
    }

    /// <summary>The binding of a class that is constructed with arguments at run time, and owned by the caller.</summary>
    public Binding Construct(TypeRef type, IReadOnlyList<TypeRef> arguments)
    {
        Node filled = ArgumentPassing.Fill(_reader.ReadUnregistered(type), arguments, out IReadOnlyList<TypeRef> untaken);
        return untaken.Count > 0
            ? new Binding.Untaken(type, untaken)
            : Completed((filled with { Options = filled.Options.With(RegistrationFlags.LeaveUndisposed) }).AsBinding);
    }

    /// <summary>A node with its decorators around it, under one service.</summary>
    public Node OutermostOf(Node node, ServiceId service)
    {
        Node outermost = _candidates.OutermostOf(node, service);
        Complete([outermost]);
        return outermost;
    }

    /// <summary>Adds a node that is not a registration, such as a call whose parameters are resolved.</summary>
    public void Add(Node node) => Complete([node]);

    /// <summary>The registrations that count, each once for itself, and once with what decorates it for each service.</summary>
    private List<Node> Start(IReadOnlyList<Node> written)
    {
        List<Node> start = new(written.Count);
        foreach (Node node in written)
        {
            if (!node.IsDecorator && !node.IsOpen && _effective.Counts(node))
            {
                if (_effective.Decorators.Count > 0)
                {
                    start.AddRange(WithDecorators(node));
                }

                start.Add(node);
            }
        }

        return start;
    }

    private IEnumerable<Node> WithDecorators(Node node) =>
        node.Candidates.Where(service => _effective.Of(service).Any(offer => offer.Node == node))
            .Select(service => _candidates.OutermostOf(node, service));

    private IReadOnlyCollection<Node> FindUnrequested(List<Node> start)
    {
        HashSet<Node> withArguments = [.. _nodes.All.Where(TakesArguments)
            .Select(node => node.Registration)
            .Where(IsRequestedWithArgumentsOnly)];
        return [.. start.Where(node => withArguments.Contains(node.Innermost))];
    }

    private bool IsRequestedWithArgumentsOnly(Node written) =>
        written.Level.IsTransient
        && !written.Has(RegistrationFlags.ResolvedDirectly)
        && !_nodes.All.Where(node => node.Inner is null || node.Innermost != written)
            .SelectMany(node => node.Bindings!)
            .SelectMany(ServiceGraph.NodesIn)
            .Any(requested => requested.Innermost == written);

    private static bool TakesArguments(Node node) => node.Parameters.Any(parameter => parameter.Argument is not null);

    private Binding Completed(Binding binding)
    {
        if (binding is not Binding.Single single)
        {
            CompleteAllIn(binding);
        }
        else if (single.Node.Bindings is null)
        {
            Complete(new List<Node> { single.Node });
        }

        return binding;
    }

    private void CompleteAllIn(Binding binding) => Complete([.. ServiceGraph.NodesIn(binding)]);

    /// <summary>Binds the needs of these nodes, of the nodes that meet them, and so on.</summary>
    private void Complete(List<Node> start)
    {
        List<Node> open = new(start);
        for (int next = 0; next < open.Count; next++)
        {
            if (open[next].Bindings is null)
            {
                Settle(open[next], open);
            }
        }
    }

    private void Settle(Node node, List<Node> open)
    {
        Parameter[] parameters = node.Parameters;
        Binding[] bindings = parameters.Length == 0 ? [] : new Binding[parameters.Length];
        for (int number = 0; number < bindings.Length; number++)
        {
            _growth.Consumer = node;
            bindings[number] = _binder.Bind(node, parameters[number]);
            _growth.Consumer = null;
            if (bindings[number] is not Binding.Single single)
            {
                open.AddRange(ServiceGraph.NodesIn(bindings[number]));
            }
            else if (single.Node.Bindings is null)
            {
                open.Add(single.Node);
            }
        }

        _nodes.Add(node, bindings);
    }
}
