using System.Reflection;
using Junctivor.Graph;
using Junctivor.Registering;

namespace Junctivor.Reading;

/// <summary>Reads registrations, by reflection, into the graph; and keeps what the graph must not know: how each node is made.</summary>
internal sealed class WiringReader
{
    private readonly Dictionary<Node, Entry> _entries = [];
    private readonly Dictionary<Constructor, ConstructorInfo> _constructors = [];
    private readonly Dictionary<Type, Wrappers> _wrappers = [];
    private readonly ParameterReader _parameters;

    public WiringReader(IEnumerable<Registration> registrations)
    {
        Types = new TypeCatalog();
        _parameters = new ParameterReader(Types);

        List<Node> nodes = [];
        foreach (Entry entry in registrations.Distinct().Select(registration => registration.Entry))
        {
            Node node = Read(entry, nodes.Count);
            nodes.Add(node);
            _entries.Add(node, entry);
            foreach (Wrappers wrappers in entry.Wrappers)
            {
                _wrappers.TryAdd(wrappers.Type, wrappers);
            }
        }

        Graph = new ServiceGraph(nodes);
    }

    public TypeCatalog Types { get; }

    public ServiceGraph Graph { get; }

    public Making MakingOf(Node node) => _entries[node].Making;

    public ConstructorInfo ConstructorOf(Node node) => _constructors[node.ChosenConstructor!];

    /// <summary>What an optional parameter gets where nobody registers the service.</summary>
    public object? DefaultOf(Parameter parameter) => _parameters.DefaultOf(parameter);

    /// <summary>What makes <c>Lazy</c> and its like of a type.</summary>
    public Wrappers WrappersOf(TypeRef type)
    {
        Type wanted = Types[type];
        return _wrappers.TryGetValue(wanted, out Wrappers? known) ? known : RunTimeWrappers.Of(wanted);
    }

    private Node Read(Entry entry, int order)
    {
        Making making = entry.Making;
        return new Node
        {
            Order = order,
            Kind = KindOf(making),
            Made = Types[making.Made],
            Services = [.. entry.AlsoServes.Prepend(entry.Service).Distinct().Select(service => Types[service])],
            Level = entry.Level,
            Place = entry.Place,
            Constructors = making is Making.OfClass ofClass ? ReadConstructors(ofClass) : [],
            FactoryParameters = making is Making.OfFactory factory
                ? _parameters.Read(factory.Method.GetParameters()[^factory.ParameterCount..])
                : [],
        };
    }

    private static NodeKind KindOf(Making making) => making switch
    {
        Making.OfClass => NodeKind.Class,
        Making.OfFactory => NodeKind.Factory,
        Making.OfValue => NodeKind.Value,
        _ => NodeKind.Incoming,
    };

    private List<Constructor> ReadConstructors(Making.OfClass making)
    {
        List<Constructor> constructors = [];
        foreach (ConstructorInfo info in making.Implementation.GetConstructors())
        {
            Constructor constructor = new(info.IsDefined(typeof(InjectAttribute)), _parameters.Read(info.GetParameters()));
            _constructors.Add(constructor, info);
            constructors.Add(constructor);
        }

        return constructors;
    }
}
