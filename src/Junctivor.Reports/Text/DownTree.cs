using Junctivor.Reports.Graphs;

namespace Junctivor.Reports.Text;

/// <summary>
/// The tree of what registrations need. What several need is shown once, numbered where it is met again. Without recursion, so
/// that a chain of any length is shown.
/// </summary>
internal sealed class DownTree(SavedGraph graph, IReadOnlyDictionary<string, SavedRegistration> byId)
{
    private readonly HashSet<string> _met = new(StringComparer.Ordinal);
    private readonly Dictionary<string, int> _numbers = new(StringComparer.Ordinal);

    public IEnumerable<IReadOnlyList<Piece>> Lines(string requested, IReadOnlyList<SavedRegistration> answers, int width)
    {
        IReadOnlyList<(Twig Twig, SavedNeed? Need, SavedRegistration? Registration, bool IsAgain)> lines = [.. Walk(answers)];
        HashSet<string> again = [.. lines.Where(line => line.IsAgain).Select(line => line.Registration!.Id)];
        foreach (SavedRegistration shown in lines.Select(line => line.Registration)
            .OfType<SavedRegistration>()
            .Where(shown => again.Contains(shown.Id)))
        {
            _numbers.TryAdd(shown.Id, _numbers.Count + 1);
        }

        IReadOnlyList<IReadOnlyList<Piece>> withCalls = [.. lines.Select(line => Row(requested, line, MakerText.CallOf))];
        return Columns.Lay(
            Columns.Fit(withCalls, width) ? withCalls : [.. lines.Select(line => Row(requested, line, MakerText.Of))], width);
    }

    private IEnumerable<(Twig Twig, SavedNeed? Need, SavedRegistration? Registration, bool IsAgain)> Walk(
        IReadOnlyList<SavedRegistration> answers)
    {
        Stack<(Twig Twig, SavedNeed? Need, SavedRegistration? Registration)> open = new();
        foreach (SavedRegistration answer in answers.Reverse())
        {
            open.Push((new Twig(0, true, null), null, answer));
        }

        while (open.Count > 0)
        {
            (Twig twig, SavedNeed? dependency, SavedRegistration? registration) = open.Pop();
            bool isNew = registration is null || _met.Add(registration.Id);
            bool isAgain = !isNew && (registration!.Needs.Count > 0 || registration.Lifetime != "transient");
            yield return (twig, dependency, registration, isAgain);
            if (registration is not null && isNew)
            {
                IReadOnlyList<(SavedNeed Need, SavedRegistration? Registration)> below = [.. registration.Needs.SelectMany(Below)];
                for (int index = below.Count - 1; index >= 0; index--)
                {
                    open.Push((new Twig(twig.Depth + 1, index == below.Count - 1, twig), below[index].Need, below[index].Registration));
                }
            }
        }
    }

    private IEnumerable<(SavedNeed, SavedRegistration?)> Below(SavedNeed dependency) =>
        dependency.By.Count == 0 ? [(dependency, null)] : dependency.By.Select(id => (dependency, (SavedRegistration?)byId[id]));

    private IReadOnlyList<Piece> Row(
        string requested, (Twig Twig, SavedNeed? Need, SavedRegistration? Registration, bool IsAgain) line,
        Func<SavedGraph, SavedRegistration, string> makerOf)
    {
        (Twig twig, SavedNeed? dependency, SavedRegistration? registration, bool isAgain) = line;
        string name = dependency is null ? requested : NeedText.Of(graph, dependency);
        if (registration is null)
        {
            (string what, Tone tone) = NeedText.Met(dependency!);
            return [new Piece(twig.Branch + name), new Piece("", Tone.Faint), new Piece(what, tone), new Piece("")];
        }

        string number = _numbers.TryGetValue(registration.Id, out int known) ? $"({known})" : "";
        string maker = isAgain
            ? registration.Lifetime == "transient" ? $"another instance, see {number}" : $"see {number}"
            : makerOf(graph, registration) + (number.Length > 0 ? $"  {number}" : "");
        return
        [
            new Piece(twig.Branch + name, dependency is null ? Tone.Strong : Tone.Plain),
            new Piece(registration.Lifetime, Tone.Note),
            new Piece(maker, isAgain ? Tone.Faint : Tone.Plain),
            new Piece(isAgain ? "" : registration.Place, Tone.Faint),
        ];
    }
}
