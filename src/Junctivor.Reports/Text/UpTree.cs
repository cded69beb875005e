using Junctivor.Reports.Graphs;

namespace Junctivor.Reports.Text;

/// <summary>The tree of those that need some registrations, and of those that need them. Each is followed once; without
/// recursion.</summary>
internal sealed class UpTree(SavedGraph graph, ILookup<string, (SavedRegistration Asker, SavedNeed Need)> dependents)
{
    public IEnumerable<IReadOnlyList<Piece>> Lines(IReadOnlyList<SavedRegistration> answers, int width) =>
        Columns.Lay([.. Walk(answers)], width);

    private IEnumerable<IReadOnlyList<Piece>> Walk(IReadOnlyList<SavedRegistration> answers)
    {
        HashSet<string> met = new(answers.Select(answer => answer.Id), StringComparer.Ordinal);
        Stack<(Twig Twig, SavedRegistration Asker, SavedNeed Need)> open = new();
        Push(open, null, answers.SelectMany(answer => dependents[answer.Id]));
        while (open.Count > 0)
        {
            (Twig twig, SavedRegistration dependent, SavedNeed dependency) = open.Pop();
            bool isNew = met.Add(dependent.Id);
            IReadOnlyList<(SavedRegistration Asker, SavedNeed Need)> above = [.. dependents[dependent.Id]];
            yield return Row(twig, dependent, dependency, isNew || above.Count == 0);
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

    private IReadOnlyList<Piece> Row(Twig twig, SavedRegistration dependent, SavedNeed dependency, bool isWhole)
    {
        bool isEntryPoint = dependent.CreatedBy == SavedRegistration.EntryPoint;
        string maker = graph.NameOf(isEntryPoint || dependent.CreatedBy == "class" ? dependent.Type : dependent.Services[0]);
        return
        [
            new Piece(twig.Branch + maker),
            new Piece(isEntryPoint ? SavedRegistration.EntryPoint : dependent.Lifetime, Tone.Note),
            new Piece(dependent.CreatedBy == "alias" ? "as an alias" : $"by {dependency.Parameter}: {graph.NameOf(dependency.Service)}"),
            isWhole ? new Piece(dependent.Place, Tone.Faint) : new Piece("see above", Tone.Faint),
        ];
    }
}
