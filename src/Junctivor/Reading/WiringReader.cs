using System.Diagnostics.CodeAnalysis;
using System.Reflection;
using Junctivor.Checks;
using Junctivor.Graph;
using Junctivor.Registering;

namespace Junctivor.Reading;

/// <summary>Reads registrations, by reflection, into the graph; and keeps what the graph must not know: how each node is created.</summary>
internal sealed class WiringReader : ITypeReader
{
    private List<RegistrationData>? _disabled;
    private List<(EntryPoint EntryPoint, Node Node)>? _entryPoints;
    private Dictionary<(Node Open, Type Closed), Node>? _closings;
    private Dictionary<(Node Open, TypeRef Service), string>? _unclosable;
    private Dictionary<Type, TypeToken>? _tokens;
    private readonly MarkingAssemblies _marking = new();
    private readonly ParameterReader _parameters;
    private readonly ClassReader _classes;
    private readonly ClassIndex _index;
    private Dictionary<RegistrationData, Node>? _written;

    private WiringReader(int capacity)
    {
        Types = new TypeCatalog(capacity);
        _parameters = new ParameterReader(Types, _marking);
        _classes = new ClassReader(Types, _parameters, _marking);
        _index = new ClassIndex(Types);
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

    /// <summary>Whether some entries cannot be read.</summary>
    public bool IsAnyUnreadable { get; private set; }

    /// <summary>The registration of an entry, in this reading of it; null where it is not part of it.</summary>
    public Node? NodeFor(RegistrationData entry)
    {
        lock (_parameters)
        {
            _written ??= new Dictionary<RegistrationData, Node>(
                Graph.Registrations.Select(node => KeyValuePair.Create(EntryOf(node), node)), ReferenceEqualityComparer.Instance);
            return _written.GetValueOrDefault(entry);
        }
    }

    [UnconditionalSuppressMessage("Trimming", "IL2072", Justification = "The definition was registered with its members kept.")]
    public Node? Close(Node open, TypeRef service)
    {
        if (SourceOf(open) is not InstanceSource.OfClass { Implementation: { IsGenericTypeDefinition: true } definition }
            || ReflectedTypes.All.Close(definition, Types[service]) is not { } closed
            || !CompiledCode.IsThereFor(closed))
        {
            return null;
        }

        _closings ??= [];
        if (!_closings.TryGetValue((open, closed), out Node? node))
        {
            try
            {
                node = open.Derive() with
                {
                    Implementation = Types[closed],
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

    /// <summary>A function that captures nothing is known by its method; of others, each may do something else.</summary>
    public object? FactoryIdentityOf(Node node) => SourceOf(node) switch
    {
        InstanceSource.OfFactory { Method: { } method } when CapturesNothing(method) => method,
        InstanceSource.OfAsyncFactory { Method: { } method } when CapturesNothing(method) => method,
        _ => null,
    };

    private static bool CapturesNothing(MethodInfo method) => method.IsStatic || method.DeclaringType?.Name is "<>c";

    public ClosingObstacle? ObstacleFor(Node open, TypeRef service) =>
        _unclosable?.GetValueOrDefault((open, service)) is { } reason ? new ClosingObstacle(reason)
        : SourceOf(open) is InstanceSource.OfClass { Implementation: { IsGenericTypeDefinition: true } definition }
            ? ReflectedTypes.All.ObstacleFor(definition, Types[service], type => Types[type])
                ?? UnbuiltFor(definition, Types[service])
            : null;

    private ClosingObstacle? UnbuiltFor(Type definition, Type service) =>
        ReflectedTypes.All.Close(definition, service) is { } closed && !CompiledCode.IsThereFor(closed)
            ? new ClosingObstacle(
                $"This program was compiled natively, and has no code for {TypeNames.Short(closed)}, because the compiler saw no use of it: "
                    + "the wiring could not be followed (JV901), or it is resolved by a type known only at run time.",
                Unbuilt: Types[closed])
            : null;

    [UnconditionalSuppressMessage("Trimming", "IL2067",
        Justification = "Whoever constructs a class that nobody registers keeps its members.")]
    [UnconditionalSuppressMessage("Trimming", "IL2072",
        Justification = "Whoever constructs a class that nobody registers keeps its members.")]
    public Node ReadUnregistered(TypeRef type)
    {
        Type created = Types[type];
        return ReadClass(created, new InstanceSource.OfClass(created));
    }

    public IReadOnlyList<TypeRef> Implementing(TypeRef service) => _index.Implementing(service);

    public IReadOnlyList<(string Member, string Text)> LeftWirings => _index.LeftWirings;

    public IReadOnlyList<Node> Disabled =>
        _disabled is null ? [] : [.. _disabled.Select(entry => TryRead(entry, int.MaxValue, out _)).OfType<Node>()];

    /// <summary>What a method requires, as a node that gives the arguments to call it with.</summary>
    public Node ReadCall(MethodInfo method, int parameterCount) =>
        ReadArguments("the called method", Types[typeof(object[])], _parameters.Read(method, parameterCount));

    /// <summary>What the properties of an object require, as a node that gives their values in order.</summary>
    public Node ReadFilling([DynamicallyAccessedMembers(Kept.Members)] Type type) =>
        ReadArguments($"the object of {TypeNames.Short(type)}", Types[type], _classes.ReadProperties(type));

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

    /// <summary>Why some entries cannot be read, as a sentence that names the first; null where all can.</summary>
    public static string? FindReadFailure(IReadOnlyCollection<RegistrationData> entries) => Read(entries).Entries
        .Select(entry => entry.Source)
        .OfType<InstanceSource.Unreadable>()
        .Select(source => $"{source.What} cannot be loaded: {source.Reason}")
        .FirstOrDefault();

    /// <summary>What the check says of entry points that cannot be served.</summary>
    public IEnumerable<Fault> NotServed() =>
        from each in _entryPoints ?? []
        from problem in each.EntryPoint.Problems
        select NotServedFaults.Of(Graph, each.Node, problem.Summary, problem.Fixes);

    /// <summary>What the check says of entries that cannot be read.</summary>
    public IEnumerable<Fault> Unreadable() =>
        from entry in Entries
        let source = entry.Source as InstanceSource.Unreadable
        where source is not null
        select source.IsPlugin
            ? PluginSkippedFaults.Of(Graph, source.Reason, RelativeToProgram(source.What), entry.Place)
            : NotConstructibleTypeFaults.Of(Graph, source.What, entry.Level.Name, entry.Place, source.Reason);

    private static string RelativeToProgram(string file)
    {
        string relative = Path.GetRelativePath(AppContext.BaseDirectory, file);
        return relative.StartsWith("..", StringComparison.Ordinal) ? file : relative.Replace('\\', '/');
    }

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

            Node? node = TryRead(entry, nodes.Count, out InstanceSource.Unreadable? trouble);
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

    /// <summary>A class may name types that cannot be loaded: then the rest is read all the same.</summary>
    private Node? TryRead(RegistrationData entry, int order, out InstanceSource.Unreadable? trouble)
    {
        trouble = entry.Source as InstanceSource.Unreadable;
        try
        {
            return trouble is null ? Read(entry, order) : null;
        }
        catch (Exception failure) when (LoadFailure.Is(failure))
        {
            trouble = new InstanceSource.Unreadable(
                TypeNames.Short(entry.Source.InstanceType), LoadFailure.TextOf(failure), IsPlugin: false);
            return null;
        }
    }

    private Node Read(RegistrationData entry, int order)
    {
        InstanceSource making = entry.Source;
        TypeRef[] services = ServicesOf(entry);
        ReflectedType created = making.InstanceType == entry.Service ? (ReflectedType)services[0] : Types.Of(making.InstanceType);
        InstanceSource.OfClass? ofClass = making as InstanceSource.OfClass;
        Node node = new()
        {
            Order = order,
            Kind = KindOf(making),
            Implementation = created,
            Services = services,
            Level = entry.Level,
            Place = entry.Place,
            Mark = Types.MarkOf(entry.Mark),
            IsDecorator = entry.IsDecorator,
            IsAsync = making is InstanceSource.OfAsyncFactory,
            Options = OptionsOf(entry),
            Constructors = ofClass is null ? [] : _classes.ReadConstructors(ofClass.Implementation),
            Properties = ofClass is null ? [] : _classes.ReadProperties(ofClass.Implementation),
            FactoryParameters = ofClass is null ? FactoryParametersOf(entry) : [],
            Origin = entry,
        };
        node = WithMeaningless(node, entry);
        return ofClass is not null && (entry.IsDecorator || entry.Passed.Count > 0) ? _classes.Meet(node, entry.Passed) : node;
    }

    private TypeRef[] ServicesOf(RegistrationData entry) =>
        entry.AlsoServes.Count == 0 ? [Types.Of(entry.Service)] : AllServicesOf(entry);

    private TypeRef[] AllServicesOf(RegistrationData entry) =>
        [.. entry.AlsoServes.Prepend(entry.Service).Distinct().Select(service => Types[service])];

    private RegistrationOptions OptionsOf(RegistrationData entry)
    {
        return !entry.IsWarmed && entry.OnlyFor is null
            ? entry.Options
            : entry.Options with { OnlyFor = entry.OnlyFor is null ? null : Types[entry.OnlyFor], HasWarmUp = entry.IsWarmed };
    }

    private static Node WithMeaningless(Node node, RegistrationData entry) => WrittenOptions.Of(node, entry) is { Count: > 0 } meaningless
        ? node with { Options = node.Options with { Meaningless = meaningless } }
        : node;

    private Parameter[] FactoryParametersOf(RegistrationData entry) => entry.Source switch
    {
        InstanceSource.OfFactory factory => WithInner(_parameters.Read(factory.Method!, factory.ParameterCount), entry.IsDecorator),
        InstanceSource.OfAsyncFactory factory => _parameters.Read(factory.Method, factory.ParameterCount),
        InstanceSource.OfAlias alias => [new PresetParameter("target", Types[alias.Target], Types.MarkOf(entry.TargetMark))],
        _ => [],
    };

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

    private static NodeKind KindOf(InstanceSource making) => making switch
    {
        InstanceSource.OfClass => NodeKind.Class,
        InstanceSource.OfFactory or InstanceSource.OfAsyncFactory => NodeKind.Factory,
        InstanceSource.OfValue => NodeKind.Value,
        InstanceSource.OfAlias => NodeKind.Alias,
        _ => NodeKind.Incoming,
    };
}
