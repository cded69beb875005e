using Junctivor.Graph;

namespace Junctivor.Reports.Graphs;

/// <summary>Writes a graph down.</summary>
internal sealed class GraphSaver(ServiceGraph graph)
{
    private readonly Dictionary<Node, string> _ids = [];
    private readonly Dictionary<string, int> _taken = new(StringComparer.Ordinal);
    private readonly SortedDictionary<string, string> _names = new(StringComparer.Ordinal);

    public SavedGraph Save(string name)
    {
        IReadOnlyList<(ServiceId Service, Node[] Front)> answers = [.. Answers()];
        IReadOnlyList<Node> nodes = [.. graph.Written, .. graph.Nodes.Where(node => !node.IsWritten || node.Order == int.MaxValue)];
        return new SavedGraph
        {
            Wiring = name,
            Registrations = [.. nodes.Select(Save)],
            Services = [.. answers.Select(answer => new SavedService { Service = NameOf(answer.Service.Type), Mark = MarkOf(answer.Service.Mark), By = [.. answer.Front.Select(IdOf)] })],
            Names = _names,
        };
    }

    /// <summary>The decorated nodes come into the graph when they are first asked for, so this comes first.</summary>
    private IEnumerable<(ServiceId Service, Node[] Front)> Answers() =>
        from offer in graph.Arrangement.All
        orderby offer.Node.Order, offer.Service.Type.QualifiedName
        group offer by offer.Service into offers
        select (offers.Key, offers.OrderBy(offer => offer.Position).Select(offer => offer.Node.IsOpen ? offer.Node : graph.FrontOf(offer.Node, offer.Service)).ToArray());

    private SavedRegistration Save(Node node) => new()
    {
        Id = IdOf(node),
        MadeBy = KindOf(node),
        Type = NameOf(node.Kind == NodeKind.Alias ? node.FactoryParameters[0].Type : node.Made),
        Services = [.. node.Services.Select(NameOf)],
        Lifetime = graph.LevelOf(node).Name,
        Mark = MarkOf(node.Mark),
        OnlyFor = node.Endings.OnlyFor is { } only ? NameOf(only) : null,
        Decorator = node.IsDecorator,
        Replaced = [.. node.Services.Where(service => IsReplaced(node, service)).Select(NameOf)],
        ResolvedDirectly = node.Endings.IsRoot,
        FollowsFrom = node.IsWritten ? null : IdOf(node.Written),
        Around = node.Inner is null ? null : IdOf(node.Inner),
        File = node.Place.IsKnown ? PlaceNames.File(node.Place, graph.SharedFolder).Replace('\\', '/') : null,
        Line = node.Place.IsKnown ? node.Place.Line : 0,
        Needs = [.. (node.Supplies is null ? null : node.Needs)?.Select(Save) ?? node.Parameters.Select(Unbound)],
    };

    private bool IsReplaced(Node node, TypeRef service) =>
        node.IsWritten && node.Order != int.MaxValue && !node.IsDecorator
        && !graph.Arrangement.Of(new ServiceId(service, node.Mark)).Any(offer => offer.Node == node);

    private SavedNeed Save(Need need) => Unbound(need.Parameter) with
    {
        Property = need.Consumer.Properties.Contains(need.Parameter),
        Gets = WordFor(need.Supply),
        By = [.. need.Supply is Supply.Ambiguous ambiguous ? ambiguous.Candidates.Select(IdOf) : need.Supplies.SelectMany(Nodes).Select(IdOf)],
    };

    private SavedNeed Unbound(Parameter parameter) => new()
    {
        Parameter = parameter.Name,
        Service = NameOf(parameter.Type),
        Mark = MarkOf(parameter.Mark),
        Gets = parameter.IsInner ? "one" : "open",
    };

    private static IEnumerable<Node> Nodes(Supply supply) => supply switch
    {
        Supply.Single single => [single.Node],
        Supply.Ambiguous ambiguous => ambiguous.Candidates,
        _ => [],
    };

    private static string WordFor(Supply supply) => supply switch
    {
        _ when supply.All().Any(part => part is Supply.Missing) => "missing",
        _ when supply.All().Any(part => part is Supply.Ambiguous) => "ambiguous",
        _ when supply.All().Any(part => part is Supply.Untaken or Supply.SharedWithArguments) => "unfit",
        Supply.Single => "one",
        Supply.Many => "list",
        Supply.Keyed => "dictionary",
        Supply.Deferred { Form: DeferredForm.Lazy } => "lazy",
        Supply.Deferred { Form: DeferredForm.FreshScope } => "fresh scope",
        Supply.Deferred => "function",
        Supply.Passed => "constant",
        Supply.Argument => "argument",
        Supply.Ambient { Form: AmbientForm.Scope } => "scope",
        Supply.Ambient { Form: AmbientForm.Container } => "container",
        Supply.Ambient { Form: AmbientForm.AskingClass } => "asking class",
        Supply.Ambient => "cancellation",
        _ => "nothing",
    };

    private static string KindOf(Node node) => node.Kind switch
    {
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

    private string IdOf(Node node)
    {
        if (!_ids.TryGetValue(node, out string? id))
        {
            string services = string.Join(" and ", node.Services.Select(service => service.QualifiedName));
            string made = node.Made.QualifiedName;
            string around = node.Inner is null ? "" : $" around {IdOf(node.Inner)}";
            string wanted = (services == made ? made : $"{services} by {(node.Kind == NodeKind.Class ? made : KindOf(node))}") + MarkSuffix(node.Mark) + around;
            _taken.TryGetValue(wanted, out int times);
            _taken[wanted] = times + 1;
            _ids.Add(node, id = times == 0 ? wanted : $"{wanted} #{times + 1}");
        }

        return id;
    }

    private static string MarkSuffix(Mark? mark) => mark is null ? "" : $" marked {mark.Type?.QualifiedName ?? mark.ToString()}";
}
