using Junctivor.Reports.Graphs;

namespace Junctivor.Reports.Text;

/// <summary>Explains a service: what creates it and what that needs, down to the end; and who needs it, up to the roots.</summary>
internal sealed class WhyText
{
    private readonly SavedGraph _graph;
    private readonly int _width;
    private readonly Dictionary<string, SavedRegistration> _byId;
    private readonly ILookup<string, (SavedRegistration Asker, SavedNeed Need)> _askers;

    public WhyText(SavedGraph graph, int width)
    {
        _graph = graph;
        _width = width;
        _byId = graph.WithNeeds.ToDictionary(registration => registration.Id, StringComparer.Ordinal);
        _askers = graph.WithNeeds
            .SelectMany(
                dependent =>
                    dependent.Needs.SelectMany(
                        dependency => dependency.By.Distinct().Select(id => (Id: id, Asker: dependent, Need: dependency))))
            .ToLookup(requested => requested.Id, requested => (requested.Asker, requested.Need), StringComparer.Ordinal);
    }

    public IEnumerable<IReadOnlyList<Piece>> Lines(SavedService service)
    {
        string requested = _graph.NameOf(service.Service) + (service.Mark is null ? "" : $" marked {_graph.NameOf(service.Mark)}");
        IReadOnlyList<SavedRegistration> answers = [.. service.By.Select(id => _byId[id])];
        string many = answers.Count == 1 ? "" : $": {answers.Count} registrations provide it";
        yield return [new Piece(requested, Tone.Strong), new Piece($"{many}  ({_graph.Wiring})", Tone.Faint)];

        yield return [];
        yield return [new Piece("What creates it, and its dependencies", Tone.Faint)];
        foreach (IReadOnlyList<Piece> line in new DownTree(_graph, _byId).Lines(requested, answers, _width))
        {
            yield return line;
        }

        yield return [];
        yield return [new Piece("What depends on it", Tone.Faint)];
        IReadOnlyList<IReadOnlyList<Piece>> dependents = [.. new UpTree(_graph, _askers).Lines(answers, _width)];
        foreach (IReadOnlyList<Piece> line in dependents.Count > 0 ? dependents : [[Nobody(answers)]])
        {
            yield return line;
        }
    }

    private static Piece Nobody(IReadOnlyList<SavedRegistration> answers) => answers.Any(answer => answer.ResolvedDirectly)
        ? "nothing in the wiring: it is resolved directly"
        : "nothing in the wiring: it can only be resolved directly";
}
