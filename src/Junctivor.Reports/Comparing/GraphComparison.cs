using Junctivor.Reports.Graphs;

namespace Junctivor.Reports.Comparing;

/// <summary>
/// Compares what two wirings mean: registration by registration, as they were written. Source locations do not count, nor what
/// follows from another change.
/// </summary>
public sealed class GraphComparison
{
    private readonly Side _before;
    private readonly Side _after;
    private readonly List<GraphChange> _changes = [];

    private GraphComparison(SavedGraph before, SavedGraph after)
    {
        _before = new Side(before);
        _after = new Side(after);
    }

    /// <summary>Finds what differs.</summary>
    /// <param name="before">The one wiring.</param>
    /// <param name="after">The other one.</param>
    /// <returns>Every difference, by kind and then in the order written; none if they mean the same.</returns>
    /// <exception cref="ArgumentNullException">A graph is null.</exception>
    public static IReadOnlyList<GraphChange> Between(SavedGraph before, SavedGraph after)
    {
        ArgumentNullException.ThrowIfNull(before);
        ArgumentNullException.ThrowIfNull(after);
        GraphComparison comparison = new(before, after);
        foreach (string service in comparison._before.Services.Concat(comparison._after.Services).Distinct())
        {
            comparison.Compare(service, comparison._before.Serving(service), comparison._after.Serving(service));
        }

        return [.. comparison._changes.OrderBy(change => change.Kind)];
    }

    private void Compare(string service, IReadOnlyList<SavedRegistration> were, IReadOnlyList<SavedRegistration> are)
    {
        List<(SavedRegistration Was, SavedRegistration Is)> same = Pair(were, are);
        foreach ((SavedRegistration was, SavedRegistration now) in same.Where(pair => _before.IsFirst(service, pair.Was)))
        {
            CompareSame(service, was, now);
        }

        // What keeps its order, keeps it among those that stayed.
        List<SavedRegistration> stayed = [.. are.Where(registration => same.Any(pair => pair.Is == registration))];
        if (!same.Select(pair => pair.Is).SequenceEqual(stayed))
        {
            Add(ChangeKind.OrderChanged, service, same[0].Was, same[0].Is, _before.Names(same.Select(pair => pair.Was)),
                _after.Names(stayed));
        }

        Queue<SavedRegistration> gone = new(were.Where(registration => same.All(pair => pair.Was != registration)));
        foreach (SavedRegistration now in are.Except(stayed))
        {
            if (gone.TryDequeue(out SavedRegistration? was))
            {
                Add(ChangeKind.Replaced, service, was, now, _before.Describe(was), _after.Describe(now));
            }
            else
            {
                AddOnce(ChangeKind.Added, service, null, now, "", _after.Describe(now));
            }
        }

        foreach (SavedRegistration was in gone)
        {
            AddOnce(ChangeKind.Removed, service, was, null, _before.Describe(was), "");
        }
    }

    /// <summary>Those that are created by the same, in the order before.</summary>
    private static List<(SavedRegistration Was, SavedRegistration Is)> Pair(
        IReadOnlyList<SavedRegistration> were, IReadOnlyList<SavedRegistration> are)
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

    private static string Maker(SavedRegistration registration) => $"{registration.CreatedBy}|{registration.Type}|{registration.OnlyFor}";

    private void CompareSame(string service, SavedRegistration was, SavedRegistration now)
    {
        if (was.Lifetime != now.Lifetime && !was.Decorator && was.CreatedBy != "alias")
        {
            Add(ChangeKind.LifetimeChanged, service, was, now, was.Lifetime, now.Lifetime);
        }

        IReadOnlyList<string> requested = [.. was.Needs.Select(_before.Describe)];
        IReadOnlyList<string> asks = [.. now.Needs.Select(_after.Describe)];
        if (!requested.SequenceEqual(asks))
        {
            Add(ChangeKind.DependenciesChanged, service, was, now, Only(requested, asks), Only(asks, requested));
        }
    }

    private void Add(ChangeKind kind, string service, SavedRegistration? was, SavedRegistration? now, string before, string after) =>
        _changes.Add(new GraphChange(kind, service, before, after) { RegistrationBefore = was, RegistrationAfter = now });

    /// <summary>What one registration serves beside is told with it.</summary>
    private void AddOnce(ChangeKind kind, string service, SavedRegistration? was, SavedRegistration? now, string before, string after)
    {
        int known =
            _changes.FindIndex(change => change.Kind == kind && change.RegistrationBefore == was && change.RegistrationAfter == now);
        if (known < 0)
        {
            Add(kind, service, was, now, before, after);
        }
        else
        {
            _changes[known] = _changes[known] with { Service = $"{_changes[known].Service}, {service}" };
        }
    }

    /// <summary>What stands on one side only; all of it where only the order differs.</summary>
    private static string Only(IReadOnlyList<string> these, IReadOnlyList<string> others)
    {
        IReadOnlyList<string> only = [.. these.Except(others)];
        return these.Count == others.Count && only.Count == 0 ? string.Join(", ", these) : string.Join(", ", only);
    }
}
