using System.Collections.Concurrent;
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

    // Most containers do without these: a process that starts need not load what belongs to them.
    private ConcurrentDictionary<Key, Plan?>? _marked;
    private CallPlans? _calls;
    private DeclaredValues? _declared;

    /// <param name="reader">The wiring, checked.</param>
    /// <param name="shared">What a branch shares with its parent; null if there is none.</param>
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

    /// <summary>The plan, or null if the service is not registered.</summary>
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
        ConcurrentDictionary<Key, Plan?> marked =
            _marked ?? Interlocked.CompareExchange(ref _marked, new ConcurrentDictionary<Key, Plan?>(), null) ?? _marked;
        return marked.TryGetValue(key, out Plan? known) ? known : marked.GetOrAdd(key, Look);
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

    /// <summary>The plans of calls that no registration describes.</summary>
    public CallPlans Calls =>
        _calls ?? Interlocked.CompareExchange(ref _calls, new CallPlans(_reader, _compiler, _check, _gate), null) ?? _calls;

    /// <summary>The values that the wiring declares.</summary>
    public DeclaredValues Declared =>
        _declared ?? Interlocked.CompareExchange(ref _declared, new DeclaredValues(_reader, _gate), null) ?? _declared;

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

    private readonly record struct Key(Type Service, object? Mark);
}
