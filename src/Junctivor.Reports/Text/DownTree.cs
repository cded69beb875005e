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

    public IEnumerable<IReadOnlyList<Piece>> Lines(IReadOnlyList<SavedRegistration> answers, int width)
    {
        IReadOnlyList<(Twig Twig, SavedNeed? Need, SavedRegistration? Registration, bool IsAgain)> lines = [.. Walk(answers)];
        foreach (SavedRegistration again in lines.Where(line => line.IsAgain).Select(line => line.Registration!))
        {
            _numbers.TryAdd(again.Id, _numbers.Count + 1);
        }

        return Columns.Lay([.. lines.Select(line => Row(line.Twig, line.Need, line.Registration, line.IsAgain))], width);
    }

    private IEnumerable<(Twig Twig, SavedNeed? Need, SavedRegistration? Registration, bool IsAgain)> Walk(IReadOnlyList<SavedRegistration> answers)
    {
        Stack<(Twig Twig, SavedNeed? Need, SavedRegistration? Registration)> open = new();
        foreach (SavedRegistration answer in answers.Reverse())
        {
            open.Push((new Twig(0, true, null), null, answer));
        }

        while (open.Count > 0)
        {
            (Twig twig, SavedNeed? need, SavedRegistration? registration) = open.Pop();
            bool isNew = registration is null || _met.Add(registration.Id);
            bool isAgain = !isNew && (registration!.Needs.Count > 0 || registration.Lifetime != "transient");
            yield return (twig, need, registration, isAgain);
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

    private IEnumerable<(SavedNeed, SavedRegistration?)> Below(SavedNeed need) =>
        need.By.Count == 0 ? [(need, null)] : need.By.Select(id => (need, (SavedRegistration?)byId[id]));

    private IReadOnlyList<Piece> Row(Twig twig, SavedNeed? need, SavedRegistration? registration, bool isAgain)
    {
        string name = need is null ? graph.NameOf(registration!.Services[0]) : NeedText.Of(graph, need);
        if (registration is null)
        {
            (string what, Tone tone) = NeedText.Met(need!);
            return [new Piece(twig.Branch + name), new Piece("", Tone.Faint), new Piece(what, tone), new Piece("")];
        }

        string number = _numbers.TryGetValue(registration.Id, out int known) ? $"({known})" : "";
        string maker = isAgain
            ? registration.Lifetime == "transient" ? $"another one, as {number}" : $"see {number}"
            : MakerText.CallOf(graph, registration) + (number.Length > 0 ? $"  {number}" : "");
        return
        [
            new Piece(twig.Branch + name, need is null ? Tone.Strong : Tone.Plain),
            new Piece(registration.Lifetime, Tone.Note),
            new Piece(maker, isAgain ? Tone.Faint : Tone.Plain),
            new Piece(isAgain ? "" : registration.Place, Tone.Faint),
        ];
    }
}
