using Junctivor.Graph;

namespace Junctivor.Reports.Graphs;

/// <summary>Writes a graph down.</summary>
internal sealed class GraphSaver(ServiceGraph graph)
{
    private readonly Dictionary<Node, string> _ids = [];
    private readonly Modules _modules = Modules.Of(graph.Registrations.Where(node => node.Place.IsKnown).Select(node => node.Place.File));
    private readonly Dictionary<string, int> _taken = new(StringComparer.Ordinal);
    private readonly SortedDictionary<string, string> _names = new(StringComparer.Ordinal);

    public SavedGraph Save(string name)
    {
        IReadOnlyList<(ServiceId Service, Node[] Front)> answers = [.. Answers()];
        IReadOnlyList<Node> nodes = [.. graph.Registrations,
            .. graph.Nodes.Where(node => !node.IsRegistration || (!node.IsInWiring && !node.Options.IsEntryPoint))];
        return new SavedGraph
        {
            Wiring = name,
            Registrations = [.. nodes.Select(Save)],
            EntryPoints = [.. graph.Nodes.Where(node => node.Options.IsEntryPoint).Select(Save)],
            Services = [.. answers.Select(
                answer =>
                    new SavedService
                    {
                        Service = NameOf(answer.Service.Type),
                        Mark = MarkOf(answer.Service.Mark),
                        By = [.. answer.Front.Select(IdOf)],
                    })],
            Names = _names,
        };
    }

    /// <summary>The decorated nodes come into the graph when they are first resolved, so this comes first.</summary>
    private IEnumerable<(ServiceId Service, Node[] Front)> Answers() =>
        from offer in graph.Effective.All
        orderby offer.Node.Order, offer.Service.Type.QualifiedName
        group offer by offer.Service into offers
        select (offers.Key,
            offers.OrderBy(offer => offer.Position)
                .Select(offer => offer.Node.IsOpen ? offer.Node : graph.OutermostOf(offer.Node, offer.Service)).ToArray());

    private SavedRegistration Save(Node node) => new()
    {
        Id = IdOf(node),
        CreatedBy = KindOf(node),
        Type = node.Options.IsEntryPoint ? node.Name
            : NameOf(node.Kind == NodeKind.Alias ? node.FactoryParameters[0].Type : node.Implementation),
        Services = node.Options.IsEntryPoint ? [] : [.. node.Services.Select(NameOf)],
        Lifetime = graph.LevelOf(node).Name,
        Mark = MarkOf(node.Mark),
        OnlyFor = node.Options.OnlyFor is { } only ? NameOf(only) : null,
        Decorator = node.IsDecorator,
        Replaced = [.. node.Services.Where(service => IsReplaced(node, service)).Select(NameOf)],
        ResolvedDirectly = node.Has(RegistrationFlags.ResolvedDirectly),
        FollowsFrom = node.IsRegistration ? null : IdOf(node.Registration),
        Around = node.Inner is null ? null : IdOf(node.Inner),
        File = node.Place.IsKnown ? SourcePlaceText.File(node.Place, graph.SharedFolder).Replace('\\', '/') : null,
        Line = node.Place.IsKnown ? node.Place.Line : 0,
        Module = _modules.At(node.Place),
        Needs = [.. (node.Bindings is null ? null : node.Dependencies)?.Select(Save) ?? node.Parameters.Select(Unbound)],
    };

    private bool IsReplaced(Node node, TypeRef service) =>
        node.IsRegistration && node.IsInWiring && !node.IsDecorator
        && !graph.Effective.Of(new ServiceId(service, node.Mark)).Any(offer => offer.Node == node);

    private SavedNeed Save(Dependency dependency) => Unbound(dependency.Parameter) with
    {
        Property = dependency.Consumer.Properties.Contains(dependency.Parameter),
        Gets = WordFor(dependency.Binding),
        By = [.. dependency.Binding is Binding.Ambiguous ambiguous
            ? ambiguous.Candidates.Select(IdOf)
            : dependency.Bindings.SelectMany(Nodes).Select(IdOf)],
    };

    private SavedNeed Unbound(Parameter parameter) => new()
    {
        Parameter = parameter.Name,
        Service = NameOf(parameter.Type),
        Mark = MarkOf(parameter.Mark),
        Gets = parameter.IsInner ? "one" : "open",
    };

    private static IEnumerable<Node> Nodes(Binding binding) => binding switch
    {
        Binding.Single single => [single.Node],
        Binding.Ambiguous ambiguous => ambiguous.Candidates,
        _ => [],
    };

    private static string WordFor(Binding binding) => binding switch
    {
        _ when binding.All().Any(part => part is Binding.Missing) => "missing",
        _ when binding.All().Any(part => part is Binding.Ambiguous) => "ambiguous",
        _ when binding.All().Any(part => part is Binding.Untaken or Binding.SharedWithArguments) => "unfit",
        Binding.Single => "one",
        Binding.Many => "list",
        Binding.Keyed => "dictionary",
        Binding.Deferred deferred => deferred.Form.Word,
        Binding.Passed => "constant",
        Binding.Argument => "argument",
        Binding.Ambient ambient => ambient.Form.Word,
        _ => "nothing",
    };

    private static string KindOf(Node node) => node.Kind switch
    {
        _ when node.Options.IsEntryPoint => SavedRegistration.EntryPoint,
        NodeKind.Class => "class",
        NodeKind.Factory when node.IsAsync => "async factory",
        NodeKind.Factory => "factory",
        NodeKind.Value => "value",
        NodeKind.Incoming => "incoming",
        _ => "alias",
    };

    private string NameOf(TypeRef type)
    {
        _names[type.QualifiedName] = type.Name;
        return type.QualifiedName;
    }

    private string? MarkOf(Mark? mark) => mark is null ? null : mark.Type is null ? mark.ToString() : NameOf(mark.Type);

    /// <summary>What others refer to a node by.</summary>
    public string IdOf(Node node)
    {
        if (!_ids.TryGetValue(node, out string? id))
        {
            string services = string.Join(" and ", node.Services.Select(service => service.QualifiedName));
            string created = node.Implementation.QualifiedName;
            string around = node.Inner is null ? "" : $" around {IdOf(node.Inner)}";
            string by = node.Kind == NodeKind.Class ? created : KindOf(node);
            string wanted = node.Options.IsEntryPoint
                ? node.Name
                : (services == created ? created : $"{services} by {by}") + MarkSuffix(node.Mark) + around;
            _taken.TryGetValue(wanted, out int times);
            _taken[wanted] = times + 1;
            _ids.Add(node, id = times == 0 ? wanted : $"{wanted} #{times + 1}");
        }

        return id;
    }

    private static string MarkSuffix(Mark? mark) => mark is null ? "" : $" marked {mark.Type?.QualifiedName ?? mark.ToString()}";
}
