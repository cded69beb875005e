namespace Junctivor.Graph;

/// <summary>Finds who serves what, for whom: closes open generics, and puts decorators around.</summary>
/// <param name="arrangement">Who counts.</param>
/// <param name="reader">Closes open generics.</param>
/// <param name="growth">Finds closed types that follow from each other without end.</param>
internal sealed class CandidateFinder(EffectiveRegistrations arrangement, ITypeReader reader, TypeGrowth growth)
{
    private Dictionary<(Node Open, TypeRef Service), Node?>? _closings;
    private Dictionary<(Node Node, ServiceId Service), Node>? _fronts;
    private HashSet<Node>? _appliedDecorators;

    /// <summary>The decorators that found something to wrap.</summary>
    public IReadOnlyCollection<Node> AppliedDecorators => _appliedDecorators is null ? [] : _appliedDecorators;

    /// <summary>All nodes that provide it, in the order of the wiring, for any consumer: without decorators.</summary>
    public IReadOnlyList<Node> Undecorated(ServiceId service, TypeRef? consumer) => Find(service, consumer);

    /// <summary>All that serve it, in the order written, each with its decorators around.</summary>
    public IReadOnlyList<Node> All(ServiceId service, TypeRef? consumer) => service.Mark == Mark.OrNot
        ? MarkedOrNot(service.Type, consumer)
        : [.. Find(service, consumer).Select(node => OutermostOf(node, service))];

    private IReadOnlyList<Node> MarkedOrNot(TypeRef type, TypeRef? consumer) =>
    [
        .. MarksOf(type, areTexts: true).Concat(MarksOf(type, areTexts: false)).Append(null)
            .Select(mark => new ServiceId(type, mark))
            .SelectMany(service => Find(service, consumer).Select(node => (Node: node, Service: service)))
            .OrderBy(each => each.Node.Registration.Order)
            .Select(each => OutermostOf(each.Node, each.Service)),
    ];

    /// <summary>The one that serves it, the consumer; null if there is none, or where it takes a choice.</summary>
    public Node? OnlyOne(ServiceId service) => arrangement.OnlyOne(service) is { } only ? OutermostOf(only, service) : null;

    /// <summary>Those between which to choose where one is wanted.</summary>
    public IReadOnlyList<Node> ForOne(ServiceId service, TypeRef? consumer)
    {
        List<Node> found =
            Prefer(
                Prefer(Find(service, consumer), node => node.Options.OnlyFor is not null),
                node => node.Has(RegistrationFlags.FirstChoice));
        return found.Count == 1 ? [OutermostOf(found[0], service)] : found;
    }

    /// <summary>The marks of one kind under which a type is served, in the order written.</summary>
    public IReadOnlyList<Mark> MarksOf(TypeRef type, bool areTexts) =>
    [
        .. arrangement.All
            .Where(offer => offer.Service.Mark is { } mark && mark.Type is null == areTexts && type.IsClosingOf(offer.Service.Type))
            .OrderBy(offer => offer.Position)
            .Select(offer => offer.Service.Mark!)
            .Distinct(),
    ];

    /// <summary>The open registrations of the definition, for a message that none can be closed so.</summary>
    public IReadOnlyList<Node> NotClosable(ServiceId service) => service.Type.Definition is null
        ? []
        : [.. arrangement.Of(service with { Type = service.Type.Definition }).Select(offer => offer.Node)];

    /// <summary>Puts around a node what decorates it, under one service; the last written is outermost.</summary>
    public Node OutermostOf(Node node, ServiceId service) => arrangement.Decorators.Count == 0 ? node : Decorate(node, service);

    /// <summary>How long an instance lives; an alias gives what lives as long as its target.</summary>
    public Level LevelOf(Node node)
    {
        HashSet<Node> met = [];
        while (node.Kind == NodeKind.Alias && met.Add(node))
        {
            List<Node> targets = Find(node.FactoryParameters[0].Service, null);
            node = targets.Count == 1 ? targets[0] : node;
        }

        return node.Level;
    }

    private Node Decorate(Node node, ServiceId service)
    {
        _fronts ??= [];
        if (_fronts.TryGetValue((node, service), out Node? known))
        {
            return known;
        }

        Node front = node;
        foreach (Node decorator in arrangement.Decorators)
        {
            if ((decorator.Mark is null || decorator.Mark == service.Mark) && Fitting(decorator, service.Type) is { } fitting)
            {
                (_appliedDecorators ??= []).Add(decorator);
                front = fitting.Derive() with { Level = LevelOf(node), Services = [service.Type], Mark = service.Mark, Inner = front };
            }
        }

        _fronts.Add((node, service), front);
        return front;
    }

    private Node? Fitting(Node decorator, TypeRef service) =>
        decorator.Services[0].Equals(service) ? decorator
        : decorator.IsOpen && service.IsClosingOf(decorator.Services[0]) ? Close(decorator, service)
        : null;

    private List<Node> Find(ServiceId service, TypeRef? consumer)
    {
        List<Node> found = [.. For(consumer, arrangement.Of(service)).Select(offer => offer.Node)];
        return found.Count == 0 && service.Type.Definition is { } definition
            ? [.. For(consumer, arrangement.Of(service with { Type = definition }))
                .Select(offer => Close(offer.Node, service.Type))
                .OfType<Node>()]
            : found;
    }

    private static List<Node> Prefer(List<Node> found, Func<Node, bool> isPreferred)
    {
        List<Node> preferred = found.Count > 1 ? [.. found.Where(isPreferred)] : [];
        return preferred.Count > 0 ? preferred : found;
    }

    private static IEnumerable<Candidate> For(TypeRef? consumer, IEnumerable<Candidate> offers) =>
        offers.Where(offer => offer.Node.Options.OnlyFor is not { } only || consumer?.IsClosingOf(only) == true);

    private Node? Close(Node open, TypeRef service)
    {
        _closings ??= [];
        if (!_closings.TryGetValue((open, service), out Node? closed))
        {
            if (growth.Enter(open, service) is not { } step)
            {
                return null;
            }

            closed = reader.Close(open, service);
            _closings.Add((open, service), closed);
            if (closed is not null)
            {
                growth.Lead(closed.Implementation, step);
            }
        }

        return closed;
    }
}
