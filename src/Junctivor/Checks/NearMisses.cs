using Junctivor.Graph;

namespace Junctivor.Checks;

/// <summary>What is registered and close to a service that is not: most often what was meant.</summary>
internal sealed class NearMisses
{
    private const int FarthestEdit = 2;

    private readonly List<string> _remarks = [];
    private readonly List<string> _cures = [];

    private NearMisses()
    {
    }

    public IReadOnlyList<string> Remarks => _remarks;

    public IReadOnlyList<string> Cures => _cures;

    public static NearMisses Of(ServiceGraph graph, ServiceId service)
    {
        NearMisses found = new();
        foreach (Node node in graph.Written.Where(node => graph.Arrangement.Counts(node) && !node.IsDecorator))
        {
            string place = At(graph, node);
            if (node.Services.Contains(service.Type))
            {
                found.AddOther(service, node, place);
            }
            else if (service.Type.DefinitionName != TypeRef.Anything && node.Made.Serves(service.Type))
            {
                found.AddUnsaid(service, node, place);
            }
            else
            {
                found.AddAlike(service, node, place);
            }
        }

        return found;
    }

    private static string At(ServiceGraph graph, Node node) =>
        node.Place.IsKnown ? $" at {PlaceNames.Show(node.Place, graph.SharedFolder)}" : "";

    private void AddOther(ServiceId service, Node node, string place)
    {
        if (node.Endings.OnlyFor is { } only && node.Mark == service.Mark)
        {
            _remarks.Add($"{service.Type.Name} is registered{place} only for {only.Name}.");
            return;
        }

        _remarks.Add(node.Mark is null
            ? $"{service.Type.Name} is registered{place} without a mark."
            : $"{service.Type.Name} is registered{place}, marked {node.Mark}.");
        if (node.Mark is not null)
        {
            string attribute = node.Mark.Type is null ? $"[Marked({node.Mark})]" : $"[Marked<{node.Mark}>]";
            _cures.Add($"ask by the mark: {attribute} {service.Type.Name}");
        }
        else
        {
            _cures.Add($"ask without a mark, or mark the registration{place}");
        }
    }

    private void AddUnsaid(ServiceId service, Node node, string place)
    {
        string known = string.Join(", ", node.Services.Select(registered => registered.Name));
        bool asItself = node.Services.Count == 1 && node.Services[0].Equals(node.Made);
        _remarks.Add(asItself
            ? $"{node.Made.Name} implements it, but is registered only as itself{place}."
            : $"{node.Made.Name} implements it, but is registered only as {known}{place}.");
        _cures.Add($"add .Also<{service.Type.Name}>() to the registration of {node.Name}{place}");
    }

    private void AddAlike(ServiceId service, Node node, string place)
    {
        foreach (TypeRef registered in node.Services)
        {
            if (registered.Arguments.Count > 0 && registered.DefinitionName == service.Type.DefinitionName)
            {
                _remarks.Add($"{registered.Name} is registered{place}: the same generic type with other arguments.");
            }
            else if (registered.SimpleName == service.Type.SimpleName)
            {
                _remarks.Add($"{registered.QualifiedName} is registered{place}: the same short name, another type than {service.Type.QualifiedName}.");
                _cures.Add($"check the using directives of whoever asks: {registered.QualifiedName} may be meant");
            }
            else if (EditDistance.IsWithin(FarthestEdit, registered.SimpleName, service.Type.SimpleName))
            {
                _remarks.Add($"{registered.Name} is registered{place}, and its name is nearly the same.");
            }
        }
    }
}
