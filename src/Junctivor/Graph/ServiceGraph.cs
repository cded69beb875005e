namespace Junctivor.Graph;

/// <summary>
/// What a wiring means: its nodes, and for each of their needs what meets it. It grows when something is asked for at
/// run time that no registration asked for; whoever asks sees to it that one thread does so at a time.
/// </summary>
internal sealed class ServiceGraph
{
    private readonly List<Node> _nodes;
    private readonly CandidateFinder _candidates;
    private readonly Binder _binder;
    private readonly ITypeReader _reader;
    private readonly Lazy<RegistrationIndex> _index;
    private readonly Lazy<string> _sharedFolder;

    public ServiceGraph(IReadOnlyList<Node> written, ITypeReader reader)
    {
        Registrations = written;
        _reader = reader;
        _index = new Lazy<RegistrationIndex>(() => new RegistrationIndex(written.Where(Effective!.Counts)));
        _sharedFolder = new Lazy<string>(() => SourcePlaceText.SharedFolder(written.Select(node => node.Place)));
        _nodes = new List<Node>(written.Count);
        Effective = new EffectiveRegistrations(written);
        _candidates = new CandidateFinder(Effective, reader, written);
        _binder = new Binder(_candidates, reader);
        List<Node> start = Start(written);
        Complete(start);
        Unrequested = _binder.HasFilled ? FindUnasked(start) : [];
    }

    /// <summary>Every registration, in the order written, whether it counts or not.</summary>
    public IReadOnlyList<Node> Registrations { get; }

    public EffectiveRegistrations Effective { get; }

    /// <summary>Everything that instances come from: the registrations that count, and what follows from them.</summary>
    public IReadOnlyList<Node> Nodes => _nodes;

    /// <summary>
    /// Transients that somebody constructs with arguments, and nobody asks for without: what the arguments are for need not
    /// be registered.
    /// </summary>
    public IReadOnlyCollection<Node> Unrequested { get; }

    /// <summary>Whether something lives as long as a scope.</summary>
    public bool HasScopes { get; private set; }

    /// <summary>Whether something lives as long as a scope of a level of the user's own.</summary>
    public bool HasUsersLevels { get; private set; }

    /// <summary>The decorators that found something to wrap.</summary>
    public IReadOnlyCollection<Node> AppliedDecorators => _candidates.AppliedDecorators;

    /// <summary>The folder that all places share, with its last separator; left away where places are shown.</summary>
    public string SharedFolder => _sharedFolder.Value;

    /// <summary>The registrations that count, by what they serve and how they are named.</summary>
    public RegistrationIndex Index => _index.Value;

    /// <summary>Classes that nobody registers and that implement a service.</summary>
    public IEnumerable<TypeRef> Implementing(TypeRef service) =>
        _reader.Implementing(service).Where(type => !Index.AbleToServe(type).Any(node => node.Implementation.Equals(type)));

    /// <summary>Whether a parameter of a node would get what it asks for.</summary>
    public bool CanMeet(Node node, Parameter parameter) => !_binder.Bind(node, parameter).All().Any(supply => supply is Binding.Missing);

    /// <summary>What a class that nobody registers asks for, and nobody registers either.</summary>
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

    /// <summary>What somebody gets who asks at run time.</summary>
    public Binding Bind(ServiceId service)
    {
        _candidates.Allow(service.Type);
        return Completed(_binder.Bind(service, null));
    }

    /// <summary>Why an open generic registration could not be closed for a service, where that is anything but its type parameters and their
    /// constraints; a sentence, or null.</summary>
    public string? ReasonAgainst(Node open, TypeRef service) => _reader.ReasonAgainst(open, service);

    /// <summary>Whether a type is nested deeper than anything that could come to an end.</summary>
    public bool IsTooDeep(TypeRef type) => _candidates.IsTooDeep(type);

    /// <summary>What somebody gets who constructs a class with arguments at run time, and owns it then.</summary>
    public Binding Construct(TypeRef type, IReadOnlyList<TypeRef> arguments)
    {
        Node filled = ArgumentPassing.Fill(_reader.ReadUnregistered(type), arguments, out IReadOnlyList<TypeRef> untaken);
        return untaken.Count > 0
            ? new Binding.Untaken(type, untaken)
            : Completed((filled with { Options = filled.Options with { IsOwned = false } }).AsBinding);
    }

    /// <summary>The registrations that promise a value.</summary>
    public IEnumerable<Node> IncomingFor(ServiceId service) =>
        Effective.Of(service).Select(offer => offer.Node).Where(node => node.Kind == NodeKind.Incoming);

    /// <summary>The registration that promises a value for after the container is built; null where none does.</summary>
    public Node? LateIncomingFor(ServiceId service) => IncomingFor(service).FirstOrDefault(node => node.Options.IsSuppliedLater);

    /// <summary>A node with what decorates it around, under one service.</summary>
    public Node OutermostOf(Node node, ServiceId service)
    {
        Node front = _candidates.OutermostOf(node, service);
        Complete([front]);
        return front;
    }

    /// <summary>Takes in a node that no registration stands for, such as a call with wired parameters.</summary>
    public void Add(Node node) => Complete([node]);

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
    public static IEnumerable<Node> NodesIn(Binding supply) => supply.All().OfType<Binding.Single>().Select(single => single.Node);

    /// <summary>The registrations that count, each once for itself, and once with what decorates it for each service.</summary>
    private List<Node> Start(IReadOnlyList<Node> written)
    {
        List<Node> start = new(written.Count);
        foreach (Node node in written)
        {
            if (!node.IsDecorator && !node.IsOpen && Effective.Counts(node))
            {
                if (Effective.Decorators.Count > 0)
                {
                    start.AddRange(node.Candidates.Where(service => Effective.Of(service).Any(offer => offer.Node == node)).Select(service => _candidates.OutermostOf(node, service)));
                }

                start.Add(node);
            }
        }

        return start;
    }

    private IReadOnlyCollection<Node> FindUnasked(List<Node> start)
    {
        HashSet<Node> withArguments = [.. _nodes.Where(TakesArguments).Select(node => node.Registration).Where(IsAskedForWithArgumentsOnly)];
        return [.. start.Where(node => withArguments.Contains(Innermost(node)))];
    }

    private bool IsAskedForWithArgumentsOnly(Node written) =>
        written.Level.IsTransient
        && !written.Options.IsRoot
        && !_nodes.Where(node => node.Inner is null || Innermost(node) != written)
            .SelectMany(node => node.Bindings!)
            .SelectMany(NodesIn)
            .Any(asked => Innermost(asked) == written);

    private static bool TakesArguments(Node node) => node.Parameters.Any(parameter => parameter.Argument is not null);

    private static Node Innermost(Node node) => node.Inner is null ? node : Innermost(node.Inner);

    private Binding Completed(Binding supply)
    {
        Complete([.. NodesIn(supply)]);
        return supply;
    }

    /// <summary>Binds the needs of these nodes, of the nodes that meet them, and so on.</summary>
    private void Complete(IReadOnlyList<Node> start)
    {
        List<Node> open = [.. start];
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
        Binding[] supplies = parameters.Length == 0 ? [] : new Binding[parameters.Length];
        for (int number = 0; number < supplies.Length; number++)
        {
            supplies[number] = _binder.Bind(node, parameters[number]);
            if (supplies[number] is not Binding.Single single)
            {
                foreach (Node next in NodesIn(supplies[number]))
                {
                    open.Add(next);
                }
            }
            else if (single.Node.Bindings is null)
            {
                open.Add(single.Node);
            }
        }

        node.Settle(_nodes.Count, supplies);
        HasScopes |= !node.Level.IsTransient && node.Level != Level.Singleton;
        HasUsersLevels |= node.Level.IsUsersOwn;
        _nodes.Add(node);
    }
}
