using Junctivor.Reports.Comparing;

namespace Junctivor.Reports.Text;

/// <summary>Writes the differences of two wirings, kind by kind.</summary>
internal static class CompareText
{
    public static IEnumerable<IReadOnlyList<Piece>> Lines(string before, string after, IReadOnlyList<GraphChange> changes, int width)
    {
        yield return [new Piece(before, Tone.Strong), " → ", new Piece(after, Tone.Strong), $": {Amount(changes.Count)}"];
        foreach (IGrouping<ChangeKind, GraphChange> kind in changes.GroupBy(change => change.Kind))
        {
            yield return [];
            yield return [new Piece(Heading(kind.Key), ToneOf(kind.Key))];
            foreach (IReadOnlyList<Piece> line in Columns.Lay([.. kind.SelectMany(Rows)], width))
            {
                yield return line;
            }
        }
    }

    private static string Amount(int changes) => changes switch
    {
        0 => "no differences",
        1 => "1 difference",
        _ => $"{changes} differences",
    };

    private static IEnumerable<IReadOnlyList<Piece>> Rows(GraphChange change)
    {
        Piece service = new($"  {change.Service}", Tone.Strong);
        Piece place = new((change.RegistrationAfter ?? change.RegistrationBefore)?.Place ?? "", Tone.Faint);
        if (change.Kind is ChangeKind.DependenciesChanged or ChangeKind.OrderChanged)
        {
            yield return [service, change.Before.Length == 0 ? $"added {change.After}" : $"was {change.Before}",
                change.After.Length == 0 ? "removed" : "", place];
            if (change.Before.Length > 0 && change.After.Length > 0)
            {
                yield return ["", $"is {change.After}", "", ""];
            }
        }
        else
        {
            string both = change.Before.Length > 0 && change.After.Length > 0
                ? $"{change.Before} → {change.After}"
                : change.Before + change.After;
            yield return [service, both, "", place];
        }
    }

    /// <summary>The kind of difference, in words.</summary>
    public static string Heading(ChangeKind kind) => kind switch
    {
        ChangeKind.Added => "Added",
        ChangeKind.Removed => "Removed",
        ChangeKind.Replaced => "Replaced",
        ChangeKind.LifetimeChanged => "Lifetime changed",
        ChangeKind.DependenciesChanged => "Dependencies changed",
        _ => "Order changed",
    };

    private static Tone ToneOf(ChangeKind kind) => kind switch
    {
        ChangeKind.Added => Tone.Good,
        ChangeKind.Removed => Tone.Bad,
        _ => Tone.Warning,
    };
}
