namespace Junctivor.Graph;

/// <summary>
/// What a wiring means: its nodes, and the binding of each of their dependencies. Read-only: a <see cref="GraphBuilder"/> builds it, and
/// adds to it when a call at run time needs what no registration does. The owner of the builder guards both.
/// </summary>
internal sealed class ServiceGraph
{
    private readonly NodeList _nodes;
    private readonly CandidateFinder _candidates;
    private readonly Binder _binder;
    private readonly TypeGrowth _growth;
    private readonly ITypeReader _reader;
    private RegistrationIndex? _index;
    private string? _sharedFolder;

    public ServiceGraph(
        IReadOnlyList<Node> registrations,
        EffectiveRegistrations effective,
        NodeList nodes,
        IReadOnlyCollection<Node> unrequested,
        CandidateFinder candidates,
        Binder binder,
        TypeGrowth growth,
        ITypeReader reader)
    {
        Registrations = registrations;
        Effective = effective;
        Unrequested = unrequested;
        _nodes = nodes;
        _candidates = candidates;
        _binder = binder;
        _growth = growth;
        _reader = reader;
    }

    /// <summary>Every registration, in the order written, whether it counts or not.</summary>
    public IReadOnlyList<Node> Registrations { get; }

    public EffectiveRegistrations Effective { get; }

    /// <summary>Everything that instances come from: the registrations that count, and what follows from them.</summary>
    public IReadOnlyList<Node> Nodes => _nodes.All;

    /// <summary>
    /// Transients that somebody constructs with arguments, and nothing resolves without: what the arguments are for need not
    /// be registered.
    /// </summary>
    public IReadOnlyCollection<Node> Unrequested { get; }

    /// <summary>Whether something lives as long as a scope.</summary>
    public bool HasScopes => _nodes.HasScopes;

    /// <summary>Whether something lives as long as a scope of a level of the user's own.</summary>
    public bool HasUsersLevels => _nodes.HasUsersLevels;

    /// <inheritdoc cref="NodeList.HasLateValues"/>
    public bool HasLateValues => _nodes.HasLateValues;

    /// <inheritdoc cref="NodeList.HasRoots"/>
    public bool HasRoots => _nodes.HasRoots;

    /// <summary>The decorators that found something to wrap.</summary>
    public IReadOnlyCollection<Node> AppliedDecorators => _candidates.AppliedDecorators;

    /// <summary>The folder that all places share, with its last separator; left away where places are shown.</summary>
    public string SharedFolder => _sharedFolder ??= SourcePlaceText.SharedFolder(Registrations.Select(node => node.Place));

    /// <summary>The registrations that count, by what they serve and how they are named.</summary>
    public RegistrationIndex Index => _index ??= new RegistrationIndex(Registrations.Where(Effective.Counts));

    /// <summary>Classes that are not registered and that implement a service.</summary>
    public IEnumerable<TypeRef> Implementing(TypeRef service) =>
        _reader.Implementing(service).Where(type => !Index.AbleToServe(type).Any(node => node.Implementation.Equals(type)));

    /// <summary>Whether a parameter of a node would get what it requires.</summary>
    public bool CanMeet(Node node, Parameter parameter) => !_binder.Bind(node, parameter).All().Any(binding => binding is Binding.Missing);

    /// <summary>What a class that is not registered requires, and nobody registers either.</summary>
    public IEnumerable<ServiceId> MissingFor(TypeRef unregistered)
    {
        Node node = _reader.ReadUnregistered(unregistered);
        return
            from parameter in node.Parameters
            from missing in _binder.Bind(node, parameter).All().OfType<Binding.Missing>()
            select missing.Service;
    }

    /// <summary>How long an instance of a node lives.</summary>
    public Level LevelOf(Node node) => _candidates.LevelOf(node);

    /// <summary>Why an open generic registration could not be closed for a service; null if nothing is known.</summary>
    public ClosingObstacle? ObstacleFor(Node open, TypeRef service) => _reader.ObstacleFor(open, service);

    /// <inheritdoc cref="ITypeReader.LeftWirings"/>
    public IReadOnlyList<(string Member, string Text)> LeftWirings => _reader.LeftWirings;

    /// <summary>The registrations that <c>Enabled</c> leaves out.</summary>
    public IReadOnlyList<Node> Disabled => _reader.Disabled;

    /// <summary>What identifies the factory of a registration; null if nobody can tell two apart.</summary>
    public object? FactoryIdentityOf(Node node) => _reader.FactoryIdentityOf(node);

    /// <summary>The closed types that lead to one that is refused, because each requires a larger one without end; none for another
    /// type.</summary>
    public IReadOnlyList<TypeRef> GrowthTo(TypeRef type) => _growth.ChainTo(type);

    /// <summary>The registrations that declare a value.</summary>
    public IEnumerable<Node> IncomingFor(ServiceId service) =>
        Effective.Of(service).Select(offer => offer.Node).Where(node => node.Kind == NodeKind.Incoming);

    /// <summary>The registration that declares a value for after the container is built; null if none does.</summary>
    public IReadOnlyList<Node> LateIncomingFor(ServiceId service) =>
        [.. IncomingFor(service).Where(node => node.Has(RegistrationFlags.SuppliedLater))];

    /// <summary>A registration with its decorators around it, under one service.</summary>
    public Node OutermostOf(Node node, ServiceId service) => _candidates.OutermostOf(node, service);

    /// <summary>All nodes that can be reached from some, these included; also through scopes of their own.</summary>
    public static IReadOnlyCollection<Node> ReachableFrom(IEnumerable<Node> start) => [.. Walk(start)];

    /// <summary>The same, one by one, each once.</summary>
    public static IEnumerable<Node> Walk(IEnumerable<Node> start)
    {
        HashSet<Node> reached = [];
        Stack<Node> open = new(start);
        while (open.Count > 0)
        {
            Node node = open.Pop();
            if (!reached.Add(node))
            {
                continue;
            }

            yield return node;
            foreach (Node next in (node.Bindings ?? []).SelectMany(NodesIn))
            {
                open.Push(next);
            }
        }
    }

    /// <summary>The nodes that a supply names itself.</summary>
    public static IEnumerable<Node> NodesIn(Binding binding) => binding.All().OfType<Binding.Single>().Select(single => single.Node);
}
