using Junctivor.Reports.Graphs;

namespace Junctivor.Reports.Comparing;

/// <summary>
/// Compares what two wirings mean: registration by registration, as they were written. Source places do not count, nor what
/// follows from another change.
/// </summary>
public sealed class GraphComparison
{
    private readonly SavedGraph _before;
    private readonly SavedGraph _after;
    private readonly List<GraphChange> _changes = [];

    private GraphComparison(SavedGraph before, SavedGraph after)
    {
        _before = before;
        _after = after;
    }

    /// <summary>Finds what differs.</summary>
    /// <param name="before">The one wiring.</param>
    /// <param name="after">The other one.</param>
    /// <returns>Every difference, by kind and then in the order written; none where they mean the same.</returns>
    /// <exception cref="ArgumentNullException">A graph is null.</exception>
    public static IReadOnlyList<GraphChange> Between(SavedGraph before, SavedGraph after)
    {
        ArgumentNullException.ThrowIfNull(before);
        ArgumentNullException.ThrowIfNull(after);
        GraphComparison comparison = new(before, after);
        ILookup<string, SavedRegistration> were = Written(before).ToLookup(Place);
        ILookup<string, SavedRegistration> are = Written(after).ToLookup(Place);
        foreach (string place in were.Concat(are).Select(group => group.Key).Distinct())
        {
            comparison.Compare([.. were[place]], [.. are[place]]);
        }

        return [.. comparison._changes.OrderBy(change => change.Kind)];
    }

    private static IEnumerable<SavedRegistration> Written(SavedGraph graph) =>
        graph.Registrations.Where(registration => registration.FollowsFrom is null && registration.Around is null && !registration.Replaced && registration.Services.Count > 0);

    /// <summary>What registrations compete for: the first service, the mark, and for whom.</summary>
    private static string Place(SavedRegistration registration) =>
        $"{registration.Services[0]}|{registration.Mark}|{registration.OnlyFor}|{registration.Decorator}";

    private static string Maker(SavedRegistration registration) => $"{registration.MadeBy}|{registration.Type}|{string.Join("|", registration.Services)}";

    private void Compare(List<SavedRegistration> were, List<SavedRegistration> are)
    {
        List<(SavedRegistration Was, SavedRegistration Is)> same = Pair(were, are);
        foreach ((SavedRegistration was, SavedRegistration now) in same)
        {
            CompareSame(was, now);
        }

        // What keeps its order, keeps it among those that stayed.
        List<SavedRegistration> stayed = [.. are.Where(registration => same.Any(pair => pair.Is == registration))];
        if (!same.Select(pair => pair.Is).SequenceEqual(stayed))
        {
            Add(ChangeKind.OrderChanged, same[0].Was, same[0].Is, Names(_before, same.Select(pair => pair.Was)), Names(_after, stayed));
        }

        Queue<SavedRegistration> gone = new(were.Where(registration => same.All(pair => pair.Was != registration)));
        foreach (SavedRegistration now in are.Except(stayed))
        {
            if (gone.TryDequeue(out SavedRegistration? was))
            {
                Add(ChangeKind.Replaced, was, now, Described(_before, was), Described(_after, now));
            }
            else
            {
                Add(ChangeKind.Added, null, now, "", Described(_after, now));
            }
        }

        foreach (SavedRegistration was in gone)
        {
            Add(ChangeKind.Removed, was, null, Described(_before, was), "");
        }
    }

    /// <summary>Those that are made by the same, in the order before.</summary>
    private static List<(SavedRegistration Was, SavedRegistration Is)> Pair(List<SavedRegistration> were, List<SavedRegistration> are)
    {
        List<SavedRegistration> left = [.. are];
        List<(SavedRegistration, SavedRegistration)> same = [];
        foreach (SavedRegistration was in were)
        {
            if (left.Find(registration => Maker(registration) == Maker(was)) is { } now)
            {
                left.Remove(now);
                same.Add((was, now));
            }
        }

        return same;
    }

    private void CompareSame(SavedRegistration was, SavedRegistration now)
    {
        if (was.Lifetime != now.Lifetime)
        {
            Add(ChangeKind.LifetimeChanged, was, now, was.Lifetime, now.Lifetime);
        }

        IReadOnlyList<string> asked = [.. was.Needs.Select(need => Described(_before, need))];
        IReadOnlyList<string> asks = [.. now.Needs.Select(need => Described(_after, need))];
        if (!asked.SequenceEqual(asks))
        {
            Add(ChangeKind.DependenciesChanged, was, now, Only(asked, asks), Only(asks, asked));
        }
    }

    private void Add(ChangeKind kind, SavedRegistration? was, SavedRegistration? now, string before, string after)
    {
        SavedGraph graph = now is null ? _before : _after;
        SavedRegistration shown = (now ?? was)!;
        string service = graph.NameOf(shown.Services[0]);
        string mark = shown.Mark is null ? "" : $" marked {graph.NameOf(shown.Mark)}";
        _changes.Add(new GraphChange(kind, service + mark, before, after) { RegistrationBefore = was, RegistrationAfter = now });
    }

    /// <summary>What stands on one side only; all of it where only the order differs.</summary>
    private static string Only(IReadOnlyList<string> these, IReadOnlyList<string> others)
    {
        IReadOnlyList<string> only = [.. these.Except(others)];
        return these.Count == others.Count && only.Count == 0 ? string.Join(", ", these) : string.Join(", ", only);
    }

    private static string Names(SavedGraph graph, IEnumerable<SavedRegistration> registrations) =>
        string.Join(", ", registrations.Select(registration => graph.NameOf(registration.Type)));

    private static string Described(SavedGraph graph, SavedRegistration registration) => $"{Maker(graph, registration)} ({registration.Lifetime})";

    private static string Maker(SavedGraph graph, SavedRegistration registration) => registration.MadeBy switch
    {
        "class" => graph.NameOf(registration.Type),
        "alias" => $"alias of {graph.NameOf(registration.Type)}",
        var kind => $"{kind} of {graph.NameOf(registration.Type)}",
    };

    private static string Described(SavedGraph graph, SavedNeed need) =>
        $"{(need.Mark is null ? "" : $"[{graph.NameOf(need.Mark)}] ")}{graph.NameOf(need.Service)} {need.Parameter}{(need.Gets == "constant" ? " (a constant)" : "")}";
}
