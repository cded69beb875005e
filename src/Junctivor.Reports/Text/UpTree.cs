using Junctivor.Reports.Graphs;

namespace Junctivor.Reports.Text;

/// <summary>The tree of those that need some registrations, and of those that need them. Each is followed once; without
/// recursion.</summary>
internal sealed class UpTree(SavedGraph graph, ILookup<string, (SavedRegistration Asker, SavedNeed Need)> askers)
{
    public IEnumerable<IReadOnlyList<Piece>> Lines(IReadOnlyList<SavedRegistration> answers, int width) =>
        Columns.Lay([.. Walk(answers)], width);

    private IEnumerable<IReadOnlyList<Piece>> Walk(IReadOnlyList<SavedRegistration> answers)
    {
        HashSet<string> met = new(answers.Select(answer => answer.Id), StringComparer.Ordinal);
        Stack<(Twig Twig, SavedRegistration Asker, SavedNeed Need)> open = new();
        Push(open, null, answers.SelectMany(answer => askers[answer.Id]));
        while (open.Count > 0)
        {
            (Twig twig, SavedRegistration asker, SavedNeed need) = open.Pop();
            bool isNew = met.Add(asker.Id);
            IReadOnlyList<(SavedRegistration Asker, SavedNeed Need)> above = [.. askers[asker.Id]];
            yield return Row(twig, asker, need, isNew || above.Count == 0);
            if (isNew)
            {
                Push(open, twig, above);
            }
        }
    }

    private static void Push(
        Stack<(Twig Twig, SavedRegistration Asker, SavedNeed Need)> open, Twig? below,
        IEnumerable<(SavedRegistration Asker, SavedNeed Need)> asking)
    {
        IReadOnlyList<(SavedRegistration Asker, SavedNeed Need)> all = [.. asking.Distinct()];
        for (int index = all.Count - 1; index >= 0; index--)
        {
            open.Push((new Twig((below?.Depth ?? 0) + 1, index == all.Count - 1, below), all[index].Asker, all[index].Need));
        }
    }

    private IReadOnlyList<Piece> Row(Twig twig, SavedRegistration asker, SavedNeed need, bool isWhole)
    {
        string maker = asker.CreatedBy == "class" ? graph.NameOf(asker.Type) : graph.NameOf(asker.Services[0]);
        return
        [
            new Piece(twig.Branch + maker),
            new Piece(asker.Lifetime, Tone.Note),
            new Piece(asker.CreatedBy == "alias" ? "as an alias" : $"by {need.Parameter}: {graph.NameOf(need.Service)}"),
            isWhole ? new Piece(asker.Place, Tone.Faint) : new Piece("see above", Tone.Faint),
        ];
    }
}
