namespace Junctivor.Graph;

/// <summary>
/// Finds the registrations that count by what they serve, could serve, or are nearly named; so that a report with many
/// faults does not go through all registrations for each.
/// </summary>
internal sealed class RegistrationIndex
{
    private readonly Dictionary<TypeRef, List<Node>> _byService = [];
    private readonly Dictionary<TypeRef, List<Node>> _byAbility = [];
    private readonly Dictionary<string, List<Node>> _byDefinition = new(StringComparer.Ordinal);
    private readonly Dictionary<TypeRef, List<Node>> _byLastArgument = [];
    private readonly Dictionary<string, List<Node>> _byName = new(StringComparer.Ordinal);
    private readonly NameIndex _names = new();

    public RegistrationIndex(IEnumerable<Node> counting)
    {
        foreach (Node node in counting.Where(node => !node.IsDecorator))
        {
            foreach (TypeRef able in node.Implementation.Supertypes.Prepend(node.Implementation))
            {
                Add(_byAbility, able, node);
            }

            foreach (TypeRef service in node.Services)
            {
                Add(_byService, service, node);
                Add(_byName, service.OwnName, node);
                _names.Enter(service.OwnName);
                if (service.Arguments.Count > 0)
                {
                    Add(_byDefinition, service.DefinitionName, node);
                    Add(_byLastArgument, service.Arguments[service.Arguments.Count - 1], node);
                }
            }
        }
    }

    /// <summary>Those that serve exactly this, under any mark.</summary>
    public IReadOnlyList<Node> Serving(TypeRef service) => Of(_byService, service);

    /// <summary>Those whose class or factory gives something that could stand for this, registered for it or not.</summary>
    public IReadOnlyList<Node> AbleToServe(TypeRef service) => Of(_byAbility, service);

    /// <summary>Those that serve a closing of the same generic definition.</summary>
    public IReadOnlyList<Node> ServingClosingOf(string definition) => Of(_byDefinition, definition);

    /// <summary>Those that serve a generic type, or an array, whose last argument is this.</summary>
    public IReadOnlyList<Node> ServingAround(TypeRef argument) => Of(_byLastArgument, argument);

    /// <summary>Those that serve something of exactly this name, wherever it stands.</summary>
    public IReadOnlyList<Node> Named(string ownName) => Of(_byName, ownName);

    /// <summary>Those that serve something of nearly this name, the nearest first.</summary>
    public IEnumerable<Node> NearlyNamed(string ownName) => _names.NearTo(ownName).SelectMany(Named);

    private static List<Node> Of<TKey>(Dictionary<TKey, List<Node>> index, TKey key)
        where TKey : notnull => index.TryGetValue(key, out List<Node>? found) ? found : [];

    private static void Add<TKey>(Dictionary<TKey, List<Node>> index, TKey key, Node node)
        where TKey : notnull
    {
        if (!index.TryGetValue(key, out List<Node>? nodes))
        {
            index.Add(key, nodes = []);
        }

        nodes.Add(node);
    }
}
