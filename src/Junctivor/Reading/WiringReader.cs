using System.Diagnostics.CodeAnalysis;
using System.Reflection;
using Junctivor.Graph;
using Junctivor.Registering;

namespace Junctivor.Reading;

/// <summary>Reads registrations, by reflection, into the graph; and keeps what the graph must not know: how each node is made.</summary>
internal sealed class WiringReader : ITypeReader
{
    private readonly Dictionary<Node, Entry> _entries = [];
    private readonly Dictionary<Entry, Node> _written = new(ReferenceEqualityComparer.Instance);
    private readonly Dictionary<(Node Open, Type Closed), Node> _closings = [];
    private readonly Dictionary<Type, Wrappers> _wrappers = [];
    private readonly ParameterReader _parameters;
    private readonly ClassReader _classes;
    private readonly ClassIndex _index;

    /// <param name="entries">In the order written; the same entry twice counts once.</param>
    public WiringReader(IEnumerable<Entry> entries)
    {
        Types = new TypeCatalog();
        _parameters = new ParameterReader(Types);
        _classes = new ClassReader(Types, _parameters);
        _index = new ClassIndex(Types);

        Entries = [.. entries.Distinct(ReferenceEqualityComparer.Instance).Cast<Entry>().Where(entry => entry.IsEnabled)];
        List<Node> nodes = [];
        foreach (Entry entry in Entries.Where(entry => entry.Trouble is null))
        {
            Node node = Read(entry, nodes.Count);
            nodes.Add(node);
            _written.Add(entry, node);
            foreach (Wrappers wrappers in entry.Wrappers)
            {
                _wrappers.TryAdd(wrappers.Type, wrappers);
            }
        }

        Graph = new ServiceGraph(nodes, this);
    }

    public TypeCatalog Types { get; }

    public ServiceGraph Graph { get; }

    /// <summary>The entries that count, in the order written.</summary>
    public IReadOnlyList<Entry> Entries { get; }

    public Making MakingOf(Node node) => _entries[node.Written].Making;

    public ConstructorInfo ConstructorOf(Node node) => _classes.InfoOf(node.ChosenConstructor!);

    public PropertyInfo PropertyOf(Parameter property) => _classes.InfoOf(property);

    /// <summary>What a parameter gets that is passed a constant, or that is optional and registered by nobody.</summary>
    public object? ConstantOf(Parameter parameter) => _parameters.ConstantOf(parameter);

    /// <summary>What makes <c>Lazy</c>, lists and their like of a type.</summary>
    public Wrappers WrappersOf(TypeRef type)
    {
        Type wanted = Types[type];
        return _wrappers.TryGetValue(wanted, out Wrappers? known) ? known : RunTimeWrappers.Of(wanted);
    }

    /// <summary>The registration of an entry, in this reading of it; null where it is not part of it.</summary>
    public Node? WrittenFor(Entry entry) => _written.GetValueOrDefault(entry);

    public Entry EntryOf(Node node) => _entries[node.Written];

    [UnconditionalSuppressMessage("Trimming", "IL2072", Justification = "The definition was registered with its members kept.")]
    public Node? Close(Node open, TypeRef service)
    {
        if (MakingOf(open) is not Making.OfClass { Implementation: { IsGenericTypeDefinition: true } definition }
            || GenericClosing.Close(definition, Types[service]) is not { } closed)
        {
            return null;
        }

        if (!_closings.TryGetValue((open, closed), out Node? node))
        {
            Node bare = open.Following() with { Made = Types[closed], Services = ServicesOf(open, closed, service), Constructors = [] };
            node = _classes.Read(bare, closed, _entries[open.Written].Passed);
            _closings.Add((open, closed), node);
        }

        return node;
    }

    [UnconditionalSuppressMessage("Trimming", "IL2067", Justification = "Whoever constructs a class that nobody registers keeps its members.")]
    [UnconditionalSuppressMessage("Trimming", "IL2072", Justification = "Whoever constructs a class that nobody registers keeps its members.")]
    public Node ReadUnregistered(TypeRef type)
    {
        Type made = Types[type];
        return ReadClass(made, new Making.OfClass(made));
    }

    public IReadOnlyList<TypeRef> Implementing(TypeRef service) => _index.Implementing(service);

    /// <summary>What a method asks for, as a node that gives the arguments to call it with.</summary>
    public Node ReadCall(MethodInfo method, int parameterCount) => ReadArguments("the called method", Types[typeof(object[])], ReadFactory(method, parameterCount));

    /// <summary>What the properties of an object ask for, as a node that gives their values in order.</summary>
    public Node ReadFilling([DynamicallyAccessedMembers(Kept.Members)] Type type) => ReadArguments($"the object of {TypeNames.Short(type)}", Types[type], _classes.ReadProperties(type));

    private Node ReadArguments(string label, TypeRef consumer, IReadOnlyList<Parameter> parameters)
    {
        Node node = new()
        {
            Order = int.MaxValue,
            Kind = NodeKind.Factory,
            Made = consumer,
            Label = label,
            Services = [consumer],
            Level = Level.Transient,
            Endings = new Endings { IsOwned = false },
            FactoryParameters = parameters,
        };
        return Enter(node, new Making.OfFactory(typeof(object[]), null, parameters.Count, values => values));
    }

    private Node Read(Entry entry, int order)
    {
        Making making = entry.Making;
        Node node = new()
        {
            Order = order,
            Kind = KindOf(making),
            Made = Types[making.Made],
            Services = [.. entry.AlsoServes.Prepend(entry.Service).Distinct().Select(service => Types[service])],
            Level = entry.Level,
            Place = entry.Place,
            Mark = Types.MarkOf(entry.Mark),
            IsDecorator = entry.IsDecorator,
            Endings = entry.Endings with { OnlyFor = entry.OnlyFor is null ? null : Types[entry.OnlyFor], Idle = IdleEndings.Of(entry), IsWarmed = (entry.WarmUp ?? entry.WindDown) is not null },
        };
        return Enter(
            making switch
            {
                Making.OfClass ofClass => _classes.Read(node, ofClass.Implementation, entry.Passed),
                Making.OfFactory factory => node with { FactoryParameters = WithInner(ReadFactory(factory.Method!, factory.ParameterCount), entry.IsDecorator) },
                Making.OfAsyncFactory factory => node with { IsAsync = true, FactoryParameters = ReadFactory(factory.Method, factory.ParameterCount) },
                Making.OfAlias alias => node with { FactoryParameters = [new Parameter("target", Types[alias.Target]) { Mark = Types.MarkOf(entry.TargetMark) }] },
                _ => node,
            },
            entry);
    }

    private Node ReadClass([DynamicallyAccessedMembers(Kept.Members)] Type type, Making making)
    {
        Node node = new() { Order = int.MaxValue, Kind = NodeKind.Class, Made = Types[type], Services = [Types[type]], Level = Level.Transient };
        return Enter(_classes.Read(node, type, []), making);
    }

    private Node Enter(Node node, Making making) =>
        Enter(node, new Entry { Service = making.Made, Making = making, Level = node.Level, Place = default });

    private Node Enter(Node node, Entry entry)
    {
        _entries.Add(node, entry);
        return node;
    }

    private IReadOnlyList<Parameter> ReadFactory(MethodInfo method, int parameterCount) =>
        _parameters.Read(method.GetParameters()[^parameterCount..]);

    /// <summary>A factory that decorates takes what it wraps first.</summary>
    private static IReadOnlyList<Parameter> WithInner(IReadOnlyList<Parameter> parameters, bool isDecorator) =>
        isDecorator ? [parameters[0].AsInner(), .. parameters.Skip(1)] : parameters;

    /// <summary>The closed services of a closed class, in the order of the open ones.</summary>
    private IReadOnlyList<TypeRef> ServicesOf(Node open, Type closed, TypeRef wanted)
    {
        IReadOnlyList<Type> all = [closed, .. TypeCatalog.AllSupertypes(closed)];
        return
        [
            .. open.Services
                .SelectMany(service => service.IsDefinition
                    ? all.Select(each => Types[each]).Where(each => each.IsClosingOf(service)).OrderByDescending(wanted.Equals).Take(1)
                    : [service]),
        ];
    }

    private static NodeKind KindOf(Making making) => making switch
    {
        Making.OfClass => NodeKind.Class,
        Making.OfFactory or Making.OfAsyncFactory => NodeKind.Factory,
        Making.OfValue => NodeKind.Value,
        Making.OfAlias => NodeKind.Alias,
        _ => NodeKind.Incoming,
    };
}
