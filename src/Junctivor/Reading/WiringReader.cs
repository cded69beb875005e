using System.Diagnostics.CodeAnalysis;
using System.Reflection;
using Junctivor.Checks;
using Junctivor.Graph;
using Junctivor.Registering;

namespace Junctivor.Reading;

/// <summary>Reads registrations, by reflection, into the graph; and keeps what the graph must not know: how each node is made.</summary>
internal sealed class WiringReader : ITypeReader
{
    private Dictionary<(Node Open, Type Closed), Node>? _closings;
    private Dictionary<(Node Open, TypeRef Service), string>? _unclosable;
    private readonly Dictionary<Type, Wrappers> _wrappers = [];
    private readonly MarkingAssemblies _marking = new();
    private readonly ParameterReader _parameters;
    private readonly ClassReader _classes;
    private readonly ClassIndex _index;
    private Dictionary<Entry, Node>? _written;

    /// <param name="entries">In the order written; the same entry twice counts once.</param>
    public WiringReader(IReadOnlyCollection<Entry> entries)
    {
        Types = new TypeCatalog(entries.Count);
        _parameters = new ParameterReader(Types, _marking);
        _classes = new ClassReader(Types, _parameters, _marking);
        _index = new ClassIndex(Types);

        List<Entry> counting = new(entries.Count);
        List<Node> nodes = new(entries.Count);
        HashSet<Entry> met = new(entries.Count, ReferenceEqualityComparer.Instance);
        foreach (Entry entry in entries)
        {
            if (!entry.IsEnabled || !met.Add(entry))
            {
                continue;
            }

            Node? node = TryRead(entry, nodes.Count, out Trouble? trouble);
            counting.Add(trouble is null ? entry : entry with { Trouble = trouble });
            if (node is not null)
            {
                nodes.Add(node);
                foreach (Wrappers wrappers in entry.Wrappers)
                {
                    _wrappers.TryAdd(wrappers.Type, wrappers);
                }
            }
        }

        Entries = counting;
        Graph = new ServiceGraph(nodes, this);
    }

    public TypeCatalog Types { get; }

    public ServiceGraph Graph { get; }

    /// <summary>The entries that count, in the order written.</summary>
    public IReadOnlyList<Entry> Entries { get; }

    public static Making MakingOf(Node node) => EntryOf(node).Making;

    public static ReflectedConstructor ConstructorOf(Node node) => (ReflectedConstructor)node.ChosenConstructor!;

    public static PropertyInfo PropertyOf(Parameter property) => ((ReflectedProperty)property).Info;

    public static Entry EntryOf(Node node) => (Entry)node.Origin!;

    /// <summary>What a parameter gets that is passed a constant, or that is optional and registered by nobody.</summary>
    public object? ConstantOf(Parameter parameter) => _parameters.ConstantOf(parameter);

    /// <summary>What makes <c>Lazy</c>, lists and their like of a type.</summary>
    public Wrappers WrappersOf(TypeRef type)
    {
        Type wanted = Types[type];
        return _wrappers.TryGetValue(wanted, out Wrappers? known) ? known : RunTimeWrappers.Of(wanted);
    }

    /// <summary>The registration of an entry, in this reading of it; null where it is not part of it.</summary>
    public Node? WrittenFor(Entry entry)
    {
        lock (_parameters)
        {
            _written ??= new Dictionary<Entry, Node>(Graph.Written.Select(node => KeyValuePair.Create(EntryOf(node), node)), ReferenceEqualityComparer.Instance);
            return _written.GetValueOrDefault(entry);
        }
    }

    [UnconditionalSuppressMessage("Trimming", "IL2072", Justification = "The definition was registered with its members kept.")]
    public Node? Close(Node open, TypeRef service)
    {
        if (MakingOf(open) is not Making.OfClass { Implementation: { IsGenericTypeDefinition: true } definition }
            || GenericClosing.Close(definition, Types[service]) is not { } closed)
        {
            return null;
        }

        _closings ??= [];
        if (!_closings.TryGetValue((open, closed), out Node? node))
        {
            try
            {
                node = open.Following() with
                {
                    Made = Types[closed],
                    Services = ServicesOf(open, closed, service),
                    Constructors = _classes.ReadConstructors(closed),
                    Properties = _classes.ReadProperties(closed),
                };
                node = _classes.Meet(node, EntryOf(open).Passed);
            }
            catch (Exception failure) when (LoadFailure.Is(failure))
            {
                (_unclosable ??= [])[(open, service)] = LoadFailure.TextOf(failure);
                return null;
            }

            _closings.Add((open, closed), node);
        }

        return node;
    }

    public string? ReasonAgainst(Node open, TypeRef service) => _unclosable?.GetValueOrDefault((open, service));

    [UnconditionalSuppressMessage("Trimming", "IL2067", Justification = "Whoever constructs a class that nobody registers keeps its members.")]
    [UnconditionalSuppressMessage("Trimming", "IL2072", Justification = "Whoever constructs a class that nobody registers keeps its members.")]
    public Node ReadUnregistered(TypeRef type)
    {
        Type made = Types[type];
        return ReadClass(made, new Making.OfClass(made));
    }

    public IReadOnlyList<TypeRef> Implementing(TypeRef service) => _index.Implementing(service);

    /// <summary>What a method asks for, as a node that gives the arguments to call it with.</summary>
    public Node ReadCall(MethodInfo method, int parameterCount) => ReadArguments("the called method", Types[typeof(object[])], _parameters.Read(method, parameterCount));

    /// <summary>What the properties of an object ask for, as a node that gives their values in order.</summary>
    public Node ReadFilling([DynamicallyAccessedMembers(Kept.Members)] Type type) => ReadArguments($"the object of {TypeNames.Short(type)}", Types[type], _classes.ReadProperties(type));

    private static Node ReadArguments(string label, TypeRef consumer, Parameter[] parameters) =>
        new()
        {
            Order = int.MaxValue,
            Kind = NodeKind.Factory,
            Made = consumer,
            Label = label,
            Services = [consumer],
            Level = Level.Transient,
            Endings = new Endings { IsOwned = false },
            FactoryParameters = parameters,
            Origin = Unwritten(new Making.OfFactory(typeof(object[]), null, parameters.Length, values => values)),
        };

    /// <summary>Why some entries cannot be read, as a sentence that names the first; null where all can.</summary>
    public static string? FindTrouble(IReadOnlyCollection<Entry> entries) => new WiringReader(entries).Entries
        .Where(entry => entry.Trouble is not null)
        .Select(entry => $"{TypeNames.Short(entry.Making.Made)} cannot be loaded: {entry.Trouble!.Text}")
        .FirstOrDefault();

    /// <summary>What the check says of entries that cannot be read.</summary>
    public IEnumerable<Fault> Unreadable() => Entries.Where(entry => entry.Trouble is not null).Select(entry => entry.Trouble!.IsOfPlugin
        ? PluginFaults.Of(entry.Trouble.Text)
        : UnloadableFaults.Of(Graph, entry.Making is Making.OfValue { Value: string name } ? name : TypeNames.Short(entry.Making.Made), entry.Level.Name, entry.Place, entry.Trouble.Text));

    /// <summary>A class may name types that cannot be loaded: then the rest is read all the same.</summary>
    private Node? TryRead(Entry entry, int order, out Trouble? trouble)
    {
        trouble = entry.Trouble;
        try
        {
            return trouble is null ? Read(entry, order) : null;
        }
        catch (Exception failure) when (LoadFailure.Is(failure))
        {
            trouble = new Trouble(LoadFailure.TextOf(failure), IsOfPlugin: false);
            return null;
        }
    }

    private Node Read(Entry entry, int order)
    {
        Making making = entry.Making;
        TypeRef[] services = ServicesOf(entry);
        ReflectedType made = making.Made == entry.Service ? (ReflectedType)services[0] : Types.Of(making.Made);
        Making.OfClass? ofClass = making as Making.OfClass;
        Node node = new()
        {
            Order = order,
            Kind = KindOf(making),
            Made = made,
            Services = services,
            Level = entry.Level,
            Place = entry.Place,
            Mark = Types.MarkOf(entry.Mark),
            IsDecorator = entry.IsDecorator,
            IsAsync = making is Making.OfAsyncFactory,
            Endings = EndingsOf(entry, services),
            Constructors = ofClass is null ? [] : _classes.ReadConstructors(ofClass.Implementation),
            Properties = ofClass is null ? [] : _classes.ReadProperties(ofClass.Implementation),
            FactoryParameters = ofClass is null ? FactoryParametersOf(entry) : [],
            Origin = entry,
        };
        return ofClass is not null && (entry.IsDecorator || entry.Passed.Count > 0) ? _classes.Meet(node, entry.Passed) : node;
    }

    private TypeRef[] ServicesOf(Entry entry) => entry.AlsoServes.Count == 0
        ? [Types.Of(entry.Service)]
        : [.. entry.AlsoServes.Prepend(entry.Service).Distinct().Select(service => Types[service])];

    private Endings EndingsOf(Entry entry, TypeRef[] services)
    {
        IReadOnlyList<string> idle = IdleEndings.Of(entry, services);
        bool isWarmed = (entry.WarmUp ?? entry.WindDown) is not null;
        return idle.Count == 0 && !isWarmed && entry.OnlyFor is null
            ? entry.Endings
            : entry.Endings with { OnlyFor = entry.OnlyFor is null ? null : Types[entry.OnlyFor], Idle = idle, IsWarmed = isWarmed };
    }

    private Parameter[] FactoryParametersOf(Entry entry) => entry.Making switch
    {
        Making.OfFactory factory => WithInner(_parameters.Read(factory.Method!, factory.ParameterCount), entry.IsDecorator),
        Making.OfAsyncFactory factory => _parameters.Read(factory.Method, factory.ParameterCount),
        Making.OfAlias alias => [new MetParameter("target", Types[alias.Target], Types.MarkOf(entry.TargetMark))],
        _ => [],
    };

    private Node ReadClass([DynamicallyAccessedMembers(Kept.Members)] Type type, Making making) =>
        new()
        {
            Order = int.MaxValue,
            Kind = NodeKind.Class,
            Made = Types[type],
            Services = [Types[type]],
            Level = Level.Transient,
            Constructors = _classes.ReadConstructors(type),
            Properties = _classes.ReadProperties(type),
            Origin = Unwritten(making),
        };

    /// <summary>What stands for a registration where nobody wrote one.</summary>
    private static Entry Unwritten(Making making) => new() { Service = making.Made, Making = making, Level = Level.Transient, Place = default };

    /// <summary>A factory that decorates takes what it wraps first.</summary>
    private static Parameter[] WithInner(Parameter[] parameters, bool isDecorator) =>
        isDecorator ? [parameters[0].AsInner(), .. parameters[1..]] : parameters;

    /// <summary>The closed services of a closed class, in the order of the open ones.</summary>
    private TypeRef[] ServicesOf(Node open, Type closed, TypeRef wanted)
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
