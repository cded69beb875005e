using System.Diagnostics.CodeAnalysis;
using System.Reflection;
using Junctivor.Graph;
using Junctivor.Registering;

namespace Junctivor.Reading;

/// <summary>Reads registrations, by reflection, into the graph; and keeps what the graph must not know: how each node is created.</summary>
internal sealed class WiringReader : ITypeReader
{
    private List<RegistrationData>? _disabled;
    private List<(EntryPoint EntryPoint, Node Node)>? _entryPoints;
    private Dictionary<Type, TypeToken>? _tokens;
    private readonly MarkingAssemblies _marking = new();
    private readonly ParameterReader _parameters;
    private readonly ClassReader _classes;
    private readonly ClassIndex _index;
    private readonly EntryReader _entries;
    private GenericReader? _generics;
    private Dictionary<RegistrationData, Node>? _written;

    private WiringReader(int capacity)
    {
        Types = new TypeCatalog(capacity);
        _parameters = new ParameterReader(Types, _marking);
        _classes = new ClassReader(Types, _parameters, _marking);
        _index = new ClassIndex(Types);
        _entries = new EntryReader(Types, _parameters, _classes);
        Entries = [];
        Builder = null!;
    }

    /// <summary>Reads a wiring, and builds its graph.</summary>
    /// <param name="entries">In the order of the wiring; the same object twice counts once.</param>
    public static WiringReader Read(IReadOnlyCollection<RegistrationData> entries)
    {
        WiringReader reader = new(entries.Count);
        reader.Builder = GraphBuilder.Build(reader.ReadAll(entries), reader);
        return reader;
    }

    /// <summary>The same, with the entry points that resolve services from outside.</summary>
    public static WiringReader Read(IReadOnlyCollection<RegistrationData> entries, IReadOnlyCollection<EntryPoint> entryPoints)
    {
        WiringReader reader = Read(entries);
        foreach (EntryPoint entryPoint in entryPoints)
        {
            Node node = reader.Read(entryPoint);
            reader.Builder.Add(node);
            (reader._entryPoints ??= []).Add((entryPoint, node));
        }

        return reader;
    }

    public TypeCatalog Types { get; }

    /// <summary>Adds to the graph what calls at run time need.</summary>
    public GraphBuilder Builder { get; private set; }

    public ServiceGraph Graph => Builder.Graph;

    /// <summary>The entries that count, in the order written.</summary>
    public IReadOnlyList<RegistrationData> Entries { get; private set; }

    public static InstanceSource SourceOf(Node node) => EntryOf(node).Source;

    public static ReflectedConstructor ConstructorOf(Node node) => (ReflectedConstructor)node.ChosenConstructor!;

    public static PropertyInfo PropertyOf(Parameter property) => ((ReflectedProperty)property).Info;

    public static RegistrationData EntryOf(Node node) => (RegistrationData)node.Origin!;

    /// <summary>What a parameter gets that is passed a constant, or that is optional and not registered.</summary>
    public object? ConstantOf(Parameter parameter) => _parameters.ConstantOf(parameter);

    /// <summary>What creates <c>Lazy</c>, lists and their like of a type.</summary>
    public TypeToken TokenOf(TypeRef type)
    {
        Type wanted = Types[type];
        return _tokens is not null && _tokens.TryGetValue(wanted, out TypeToken? known) ? known : RunTimeTokens.Of(wanted);
    }

    /// <summary>The entry points, with the nodes that stand for them.</summary>
    public IReadOnlyList<(EntryPoint EntryPoint, Node Node)> EntryPoints => _entryPoints ?? [];

    /// <summary>Whether some entries cannot be read.</summary>
    public bool IsAnyUnreadable { get; private set; }

    /// <summary>The registration of an entry, in this reading of it; null if it is not part of it.</summary>
    public Node? NodeFor(RegistrationData entry)
    {
        lock (_parameters)
        {
            _written ??= new Dictionary<RegistrationData, Node>(
                Graph.Registrations.Select(node => KeyValuePair.Create(EntryOf(node), node)), ReferenceEqualityComparer.Instance);
            return _written.GetValueOrDefault(entry);
        }
    }

    /// <summary>A function that captures nothing is known by its method; of others, each may do something else.</summary>
    public object? FactoryIdentityOf(Node node) => SourceOf(node) switch
    {
        InstanceSource.OfFactory { Method: { } method } when CapturesNothing(method) => method,
        InstanceSource.OfAsyncFactory { Method: { } method } when CapturesNothing(method) => method,
        _ => null,
    };

    private static bool CapturesNothing(MethodInfo method) => method.IsStatic || method.DeclaringType?.Name is "<>c";

    [UnconditionalSuppressMessage("Trimming", "IL2067",
        Justification = "Whoever constructs a class that nobody registers keeps its members.")]
    [UnconditionalSuppressMessage("Trimming", "IL2072",
        Justification = "Whoever constructs a class that nobody registers keeps its members.")]
    public Node ReadUnregistered(TypeRef type)
    {
        Type created = Types[type];
        return ReadClass(created, new InstanceSource.OfClass(created));
    }

    public Node? Close(Node open, TypeRef service) => Generics.Close(open, service);

    public ClosingObstacle? ObstacleFor(Node open, TypeRef service) => Generics.ObstacleFor(open, service);

    public IReadOnlyList<TypeRef> Implementing(TypeRef service) => _index.Implementing(service);

    public IReadOnlyList<(string Member, string Text)> LeftWirings => _index.LeftWirings;

    public IReadOnlyList<Node> Disabled =>
        _disabled is null ? [] : [.. _disabled.Select(entry => _entries.TryRead(entry, Node.NotInWiring, out _)).OfType<Node>()];

    /// <summary>What a method requires, as a node that gives the arguments to call it with.</summary>
    public Node ReadCall(MethodInfo method, int parameterCount) =>
        ReadArguments("the called method", Types[typeof(object[])], _parameters.Read(method, parameterCount));

    /// <summary>What the properties of an object require, as a node that gives their values in order.</summary>
    public Node ReadFilling([DynamicallyAccessedMembers(Kept.Members)] Type type) =>
        ReadArguments($"the object of {TypeNames.Short(type)}", Types[type], _classes.ReadProperties(type));

    private GenericReader Generics => _generics ??= new GenericReader(Types, _classes);

    private Node Read(EntryPoint entryPoint) => ReadArguments(entryPoint.Name, Types[typeof(object)], ParametersOf(entryPoint)) with
    {
        Level = Level.Scoped,
        Place = new SourcePlace(entryPoint.File, entryPoint.Line),
        Options = new RegistrationOptions { Flags = RegistrationFlags.LeaveUndisposed, IsEntryPoint = true },
    };

    private Parameter[] ParametersOf(EntryPoint entryPoint) =>
    [
        .. entryPoint.Services.Select(service => new PresetParameter(
            service.Parameter, Types[service.Type], Types.MarkOf(service.Mark), isOptional: service.IsOptional)),
    ];

    private static Node ReadArguments(string label, TypeRef consumer, Parameter[] parameters) =>
        new()
        {
            Kind = NodeKind.Factory,
            Implementation = consumer,
            Label = label,
            Services = [consumer],
            Level = Level.Transient,
            Options = new RegistrationOptions { Flags = RegistrationFlags.LeaveUndisposed },
            FactoryParameters = parameters,
            Origin = Unwritten(new InstanceSource.OfFactory(typeof(object[]), null, parameters.Length, values => values)),
        };

    private List<Node> ReadAll(IReadOnlyCollection<RegistrationData> entries)
    {
        List<RegistrationData> counting = new(entries.Count);
        List<Node> nodes = new(entries.Count);
        HashSet<RegistrationData> met = new(entries.Count, ReferenceEqualityComparer.Instance);
        foreach (RegistrationData entry in entries)
        {
            if (!met.Add(entry))
            {
                continue;
            }

            if (!entry.IsEnabled)
            {
                (_disabled ??= []).Add(entry);
                continue;
            }

            Node? node = _entries.TryRead(entry, nodes.Count, out InstanceSource.Unreadable? trouble);
            IsAnyUnreadable |= trouble is not null;
            counting.Add(trouble is null ? entry : entry with { Source = trouble });
            if (node is not null)
            {
                nodes.Add(node);
                if (entry.Tokens.Count > 0)
                {
                    KeepTokens(entry);
                }
            }
        }

        Entries = counting;
        return nodes;
    }

    private void KeepTokens(RegistrationData entry)
    {
        for (int number = 0; number < entry.Tokens.Count; number++)
        {
            (_tokens ??= []).TryAdd(entry.Tokens[number].Type, entry.Tokens[number]);
        }
    }

    private Node ReadClass([DynamicallyAccessedMembers(Kept.Members)] Type type, InstanceSource making) =>
        new()
        {
            Kind = NodeKind.Class,
            Implementation = Types[type],
            Services = [Types[type]],
            Level = Level.Transient,
            Constructors = _classes.ReadConstructors(type),
            Properties = _classes.ReadProperties(type),
            Origin = Unwritten(making),
        };

    /// <summary>What stands for a registration where nobody wrote one.</summary>
    private static RegistrationData Unwritten(InstanceSource making) =>
        new() { Service = making.InstanceType, Source = making, Level = Level.Transient, Place = default };
}
