using System.Collections.Concurrent;
using System.Diagnostics.CodeAnalysis;
using System.Reflection;
using Junctivor.Checks;
using Junctivor.Graph;
using Junctivor.Reading;
using Junctivor.Registering;

namespace Junctivor.Runtime;

/// <summary>
/// Finds the plan for what somebody resolves at run time. What no registration required is read, bound and checked then.
/// Safe for use by several threads.
/// </summary>
internal sealed class PlanCache
{
    private readonly Lock _gate = new();
    private readonly WiringReader _reader;
    private readonly SharedNodes? _shared;
    private readonly PlanCompiler _compiler;
    private readonly LateCheck _check;
    private readonly TypeTable _table = new();

    private Seldom? _seldom;

    /// <param name="reader">The wiring, checked.</param>
    /// <param name="shared">What a branch shares with its parent; null where there is none.</param>
    /// <param name="compilation">When code is made from plans.</param>
    /// <param name="isSound">Whether it is sound, and all its values are supplied.</param>
    public PlanCache(WiringReader reader, PlanCompilation compilation, SharedNodes? shared = null, bool isSound = true)
    {
        _reader = reader;
        IsSound = isSound;
        _shared = shared;
        _compiler = new PlanCompiler(reader, this, shared);
        Codes = new CodeQueue(compilation);
        _check = new LateCheck(reader.Graph, isSound);
        AsyncOrder = new AsyncOrder(reader.Graph, _gate, shared);
        for (int number = 0; number < reader.Graph.Nodes.Count; number++)
        {
            Node node = reader.Graph.Nodes[number];
            ScopedServices += node.Level == Level.Scoped && node.CreatesInstances ? 1 : 0;
            foreach (Constructor constructor in node.Constructors)
            {
                constructor.Forget();
            }
        }
    }

    /// <summary>The plans by type, for whoever reads them himself.</summary>
    public TypeTable.Entry[] Entries => _table.Entries;

    /// <summary>Whether the wiring is sound, and all its values are supplied.</summary>
    public bool IsSound { get; }

    /// <summary>How many services a scope of the default level may have to keep.</summary>
    public int ScopedServices { get; }

    /// <summary>Creates code of plans that are resolved again and again.</summary>
    public CodeQueue Codes { get; }

    public TypeCatalog Types => _reader.Types;

    public ServiceGraph Graph => _reader.Graph;

    public WiringReader Reader => _reader;

    /// <summary>The values of the wiring that the container ends.</summary>
    public List<object> OwnedValues
    {
        get
        {
            List<object> values = [];
            for (int number = 0; number < Graph.Nodes.Count; number++)
            {
                Node node = Graph.Nodes[number];
                if (node is { Kind: NodeKind.Value, Options.IsOwned: true } && _shared?.IsShared(node) != true)
                {
                    values.Add(((InstanceSource.OfValue)WiringReader.SourceOf(node)).Value);
                }
            }

            return values;
        }
    }

    /// <summary>The plan, or null where the service is not registered.</summary>
    /// <param name="service">The service.</param>
    /// <param name="mark">A string or a type; null for none.</param>
    /// <exception cref="ResolveException">It is registered, and not as it should be.</exception>
    public Plan? Find(Type service, object? mark)
    {
        if (mark is null)
        {
            nint handle = service.TypeHandle.Value;
            ref TypeTable.Entry entry = ref TypeTable.Find(_table.Entries, handle);
            return Registered((entry.Handle == handle ? entry.Plan : null) ?? LookUnmarked(service));
        }

        Key key = new(service, mark);
        return Rare.Marked.TryGetValue(key, out Plan? known) ? known : Rare.Marked.GetOrAdd(key, Look);
    }

    /// <summary>Whether the wiring provides a service.</summary>
    /// <param name="service">The service.</param>
    /// <param name="mark">A string or a type; null for none.</param>
    public bool Knows(Type service, object? mark)
    {
        lock (_gate)
        {
            return !_reader.Builder.Bind(IdOf(new Key(service, mark))).All().OfType<Binding.Missing>().Any();
        }
    }

    /// <exception cref="ResolveException">Nobody registers it, or not as it should be.</exception>
    public Plan Require(Type service, object? mark) => Find(service, mark) ?? throw NotFound(new Key(service, mark));

    /// <summary>Writes down that a singleton is there, for whoever reads the table himself.</summary>
    public void Refresh(Type service, Plan plan)
    {
        lock (_gate)
        {
            _table.Put(service, plan);
        }
    }

    /// <summary>While an observer is attached, the table is closed, so that each resolution comes here.</summary>
    public void SetObserved(bool isWatched)
    {
        lock (_gate)
        {
            if (isWatched)
            {
                _table.Shut();
            }
            else
            {
                _table.Open();
            }
        }
    }

    /// <summary>Nothing is resolved any more.</summary>
    public void Close()
    {
        lock (_gate)
        {
            _table.Shut();
        }
    }

    /// <summary>Reads the graph, such as to say what is wrong, while nobody else adds to it.</summary>
    public T Read<T>(Func<ServiceGraph, T> read)
    {
        lock (_gate)
        {
            return read(Graph);
        }
    }

    /// <summary>The plan to construct a class with some arguments given.</summary>
    /// <exception cref="ResolveException">It cannot be constructed so.</exception>
    public Plan Construct(Type type, ReadOnlySpan<object> arguments)
    {
        TypeList types = TypeList.Of(arguments);
        return Rare.Constructions.TryGetValue((type, types), out Plan? known)
            ? known
            : Rare.Constructions.GetOrAdd((type, types), PlanConstruction);
    }

    /// <summary>The plan for the arguments of a method.</summary>
    /// <exception cref="ResolveException">A parameter cannot be had.</exception>
    public Plan Call(MethodInfo method, int parameterCount) =>
        Rare.Calls.GetOrAdd(method, _ => PlanFor(_reader.ReadCall(method, parameterCount)));

    /// <summary>The plan for the values of the properties of an object, and the properties.</summary>
    /// <exception cref="ResolveException">A property cannot be filled.</exception>
    public (Plan Plan, PropertyInfo[] Properties) Fill([DynamicallyAccessedMembers(Kept.Members)] Type type)
    {
        if (Rare.Fillings.TryGetValue(type, out (Plan, PropertyInfo[]) known))
        {
            return known;
        }

        lock (_gate)
        {
            Node node = _reader.ReadFilling(type);
            return Rare.Fillings.GetOrAdd(type, (PlanFor(node), [.. node.FactoryParameters.Select(WiringReader.PropertyOf)]));
        }
    }

    public Plan PlanFor(Binding binding)
    {
        lock (_gate)
        {
            return _compiler.PlanFor(binding);
        }
    }

    /// <summary>In which order asynchronous factories and warm-ups run.</summary>
    public AsyncOrder AsyncOrder { get; }

    /// <summary>The plan of a node that a branch shares.</summary>
    public Plan PlanOf(Node node)
    {
        lock (_gate)
        {
            return _compiler.PlanFor(node);
        }
    }

    /// <summary>The node that is this registration, closed for a service of which a branch has a closing.</summary>
    public Node? FindClosing(Node written, Type service)
    {
        lock (_gate)
        {
            TypeRef closed = Types[service];
            Node? node = _reader.Close(written, closed);
            if (node is not null)
            {
                _reader.Builder.OutermostOf(node, new ServiceId(closed, node.Mark));
                _reader.Builder.Add(node);
            }

            return node;
        }
    }

    /// <summary>The node that is this decorator around that node.</summary>
    public Node? FindAround(Node inner, Node decorator)
    {
        lock (_gate)
        {
            return Graph.Nodes.FirstOrDefault(node => node.Registration == decorator && node.Inner == inner);
        }
    }

    /// <summary>Takes what a container or scope is started with.</summary>
    /// <exception cref="ResolveException">The wiring does not declare it.</exception>
    public SuppliedValues TakeValues(Level level, ReadOnlySpan<Incoming> incoming)
    {
        if (incoming.IsEmpty)
        {
            return SuppliedValues.Nothing;
        }

        if (SuppliedValues.TryTake(incoming, level, this) is { } values)
        {
            return values;
        }

        lock (_gate)
        {
            SuppliedValues.Take(Types, Graph, level, incoming, out IReadOnlyList<Fault> faults);
            throw new ResolveException(faults);
        }
    }

    /// <summary>The registrations that declare a value when something of a level starts.</summary>
    public Node[] DeclarationsOf(Level level, Incoming value)
    {
        DeclaredValue wanted = new(level, value.Service, value.Mark);
        return Rare.Declarations.TryGetValue(wanted, out Node[]? known) ? known : Rare.Declarations.GetOrAdd(wanted, Look);
    }

    private Node[] Look(DeclaredValue wanted)
    {
        lock (_gate)
        {
            return [.. Graph.IncomingFor(IdOf(new Key(wanted.Service, wanted.Mark)))
                .Where(node => node.Level == wanted.Level && !node.Has(RegistrationFlags.SuppliedLater))];
        }
    }

    private Plan PlanConstruction((Type Made, TypeList Arguments) construction)
    {
        lock (_gate)
        {
            TypeRef created = Types[construction.Made];
            return _compiler.PlanFor(
                _check.Sound(
                    _reader.Builder.Construct(created, [.. construction.Arguments.Select(type => Types[type])]), new ServiceId(created)));
        }
    }

    private Plan PlanFor(Node node)
    {
        lock (_gate)
        {
            _reader.Builder.Add(node);
            _check.ThrowIfFaulty([node]);
            return _compiler.PlanFor(node);
        }
    }

    private ResolveException NotFound(Key key) => new(Read(graph => MissingRule.Requested(graph, IdOf(key))));

    private Plan LookUnmarked(Type service)
    {
        lock (_gate)
        {
            // The catalog also keeps the types of the table, so that no handle is used for another one.
            ReflectedType type = Types.Of(service);
            Plan plan = (Plan)(type.UnmarkedPlan ??= Look(new Key(service, null)) ?? Plan.Unregistered);

            _table.Put(service, plan);
            return plan;
        }
    }

    private static Plan? Registered(Plan plan) => ReferenceEquals(plan, Plan.Unregistered) ? null : plan;

    private Plan? Look(Key key)
    {
        lock (_gate)
        {
            ServiceId service = IdOf(key);
            Binding binding = _reader.Builder.Bind(service);
            return binding is not Binding.Single
                && binding.All().OfType<Binding.Missing>().Any(missing => missing.Unfitting.Count == 0)
                ? null
                : _compiler.PlanFor(_check.Sound(binding, service));
        }
    }

    private ServiceId IdOf(Key key) => new(Types[key.Service], Types.MarkOf(key.Mark));

    /// <summary>What most containers do without: a process that starts need not load what belongs to it.</summary>
    private Seldom Rare => _seldom ?? Interlocked.CompareExchange(ref _seldom, new Seldom(), null) ?? _seldom;

    private sealed class Seldom
    {
        public ConcurrentDictionary<MethodInfo, Plan> Calls { get; } = new();

        public ConcurrentDictionary<Key, Plan?> Marked { get; } = new();

        public ConcurrentDictionary<(Type, TypeList), Plan> Constructions { get; } = new();

        public ConcurrentDictionary<DeclaredValue, Node[]> Declarations { get; } = new();

        public ConcurrentDictionary<Type, (Plan Plan, PropertyInfo[] Properties)> Fillings { get; } = new();
    }

    private readonly record struct DeclaredValue(Level Level, Type Service, object? Mark);

    private readonly record struct Key(Type Service, object? Mark);
}
