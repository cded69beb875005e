using Junctivor.Checks;
using Junctivor.Generators.Following;
using Junctivor.Generators.Leaving;
using Junctivor.Graph;
using Microsoft.CodeAnalysis;

namespace Junctivor.Generators.Symbols;

/// <summary>Reads registrations, as the source writes them, into the graph.</summary>
internal sealed class SymbolReader : ITypeReader
{
    private readonly SymbolCatalog _types;
    private readonly SymbolClasses _classes;
    private readonly SymbolClassIndex _index;
    private readonly List<Node> _disabled = [];
    private readonly Dictionary<(Node Open, TypeRef Closed), Node> _closings = [];

    private SymbolReader(Edition edition, LeftBehind left)
    {
        _types = new SymbolCatalog(edition, left);
        _classes = new SymbolClasses(_types);
        _index = new SymbolClassIndex(_types);
    }

    public IReadOnlyList<Node> Disabled => _disabled;

    /// <summary>The types of the wiring.</summary>
    public SymbolCatalog Types => _types;

    /// <summary>Has the graph, and adds what calls need.</summary>
    public GraphBuilder Builder { get; private set; } = null!;

    /// <summary>The graph of a wiring.</summary>
    /// <param name="compilation">The source.</param>
    /// <param name="left">What other assemblies left behind.</param>
    /// <param name="entries">In the order of the wiring; the same object twice counts once.</param>
    public static ServiceGraph Read(
        Compilation compilation, LeftBehind left, IEnumerable<(WrittenRegistration Registration, bool IsEnabled)> entries) =>
        Open(Edition.Of(compilation), left, entries).Builder.Graph;

    /// <summary>The same, to be added to.</summary>
    public static SymbolReader Open(
        Edition edition, LeftBehind left, IEnumerable<(WrittenRegistration Registration, bool IsEnabled)> entries)
    {
        SymbolReader reader = new(edition, left);
        HashSet<WrittenRegistration> met = [];
        List<Node> nodes = [];
        List<WrittenRegistration> disabled = [];
        foreach ((WrittenRegistration registration, bool isEnabled) in entries)
        {
            if (met.Add(registration))
            {
                if (isEnabled)
                {
                    nodes.Add(reader.Read(registration, nodes.Count));
                }
                else
                {
                    disabled.Add(registration);
                }
            }
        }

        reader._disabled.AddRange(disabled.Select(registration => reader.Read(registration, int.MaxValue)));
        reader.Builder = GraphBuilder.Build(nodes, reader);
        return reader;
    }

    /// <summary>What the source writes for a node; null if it is none of a registration.</summary>
    public static WrittenRegistration? WrittenOf(Node? node) => node?.Registration.Origin as WrittenRegistration;

    /// <summary>Where the source writes a node; null if it does not.</summary>
    public static Location? LocationOf(Node? node) => (node?.Registration.Origin as WrittenHandler)?.Location ?? WrittenOf(node)?.Location;

    public Node? Close(Node open, TypeRef service)
    {
        if (open.Kind != NodeKind.Class
            || SymbolCatalog.SymbolOf(open.Implementation) is not INamedTypeSymbol { IsGenericType: true } definition
            || !open.Implementation.IsDefinition
            || _types.All.Close(definition, SymbolCatalog.SymbolOf(service)) is not INamedTypeSymbol symbol)
        {
            return null;
        }

        TypeRef closed = _types[symbol];
        if (!_closings.TryGetValue((open, closed), out Node? node))
        {
            node = open.Derive() with
            {
                Implementation = closed,
                Services = ServicesOf(open, closed, service),
                Constructors = _classes.ReadConstructors(symbol),
                Properties = _classes.ReadProperties(symbol),
            };
            node = ConstantPassing.Meet(node, PassedOf(WrittenOf(open)!));
            _closings.Add((open, closed), node);
        }

        return node;
    }

    public ClosingObstacle? ObstacleFor(Node open, TypeRef service) =>
        open.Kind == NodeKind.Class && open.Implementation.IsDefinition
            ? _types.All.ObstacleFor<ITypeSymbol>(
                SymbolCatalog.SymbolOf(open.Implementation), SymbolCatalog.SymbolOf(service), type => _types[type])
            : null;

    public object? FactoryIdentityOf(Node node) => WrittenOf(node)?.Factory?.Identity;

    public Node ReadUnregistered(TypeRef type)
    {
        ITypeSymbol symbol = SymbolCatalog.SymbolOf(type);
        return new Node
        {
            Kind = NodeKind.Class,
            Implementation = type,
            Services = [type],
            Level = Level.Transient,
            Constructors = _classes.ReadConstructors(symbol),
            Properties = _classes.ReadProperties(symbol),
        };
    }

    public IReadOnlyList<TypeRef> Implementing(TypeRef service) => _index.Implementing(service);

    public IReadOnlyList<(string Member, string Text)> LeftWirings => _index.LeftWirings;

    /// <summary>The handler of an endpoint, as a node that nothing resolves.</summary>
    public Node Read(WrittenHandler handler)
    {
        TypeRef nothing = _types[_types.Compilation.ObjectType];
        return new Node
        {
            Kind = NodeKind.Factory,
            Implementation = nothing,
            Label = handler.Label,
            Services = [nothing],
            Level = Level.Scoped,
            Place = handler.Place,
            Options = new RegistrationOptions { IsEntryPoint = true },
            FactoryParameters = _classes.Read([.. handler.Services, .. handler.Possible.Select(each => each with { IsOptional = true })]),
            Origin = handler,
        };
    }

    private Node Read(WrittenRegistration registration, int order)
    {
        bool isClass = registration.Kind == NodeKind.Class;
        TypeRef[] services = ServicesOf(registration);
        TypeRef created = _types[registration.Implementation];
        if (registration.IsDerived && !services.All(created.Serves))
        {
            throw new UnfollowableException("the type of the value is known only at run time", registration.Location);
        }

        Node node = new()
        {
            Order = order,
            Kind = registration.Kind,
            Implementation = created,
            Services = services,
            Level = registration.Level,
            Place = registration.Place,
            Mark = _types.MarkOf(registration.Mark),
            IsDecorator = registration.IsDecorator,
            IsAsync = registration.Factory?.IsAsync == true,
            Options = registration.Options with { OnlyFor = registration.OnlyFor is { } consumer ? _types[consumer] : null },
            Constructors = isClass ? _classes.ReadConstructors(registration.Implementation) : [],
            Properties = isClass ? _classes.ReadProperties(registration.Implementation) : [],
            FactoryParameters = FactoryParametersOf(registration),
            Origin = registration,
        };
        node = WithMeaningless(node, registration);
        return isClass ? ConstantPassing.Meet(node, PassedOf(registration)) : node;
    }

    private static Node WithMeaningless(Node node, WrittenRegistration registration)
    {
        IReadOnlyList<string> passed = [.. registration.Passed.Select(constant => constant.Parameter ?? SymbolNames.Short(constant.Type))];
        IReadOnlyList<MeaninglessOption> meaningless = [.. MeaninglessOptions.Find(node, passed, registration.Warming)];
        return meaningless.Count == 0 ? node : node with { Options = node.Options with { Meaningless = meaningless } };
    }

    private IReadOnlyList<PassedConstant> PassedOf(WrittenRegistration registration) =>
        [.. registration.Passed.Select(constant => new SymbolConstant(constant, _types))];

    private TypeRef[] ServicesOf(WrittenRegistration registration) =>
        [.. registration.AlsoServes.Prepend(registration.Service).Select(service => _types[service]).Distinct()];

    /// <summary>The closed services of a closed class, in the order of the open ones.</summary>
    private TypeRef[] ServicesOf(Node open, TypeRef closed, TypeRef wanted)
    {
        IReadOnlyList<TypeRef> all = [closed, .. SymbolType.AllSupertypes(SymbolCatalog.SymbolOf(closed)).Select(each => _types[each])];
        return
        [
            .. open.Services.SelectMany(service => service.IsDefinition
                ? all.Where(each => each.IsClosingOf(service)).OrderByDescending(wanted.Equals).Take(1)
                : [service]),
        ];
    }

    private Parameter[] FactoryParametersOf(WrittenRegistration registration)
    {
        if (registration.Kind == NodeKind.Alias)
        {
            return [new PresetParameter("target", _types[registration.Implementation], _types.MarkOf(registration.TargetMark))];
        }

        Parameter[] parameters = _classes.Read(registration.Factory?.Parameters ?? []);
        return registration.IsDecorator && parameters.Length > 0 ? [parameters[0].AsInner(), .. parameters.Skip(1)] : parameters;
    }
}
