namespace Junctivor.Generators.Following;

/// <summary>An entry of a wiring, and when it is in it.</summary>
/// <param name="Registration">The registration.</param>
/// <param name="Conditions">What must hold; nothing where it always is.</param>
internal sealed record WiringEntry(WrittenRegistration Registration, IReadOnlyList<Condition> Conditions)
{
    /// <summary>What <c>Enabled</c> says, where that is known only at run time.</summary>
    public Condition? EnabledWhen { get; init; }

    /// <summary>Whether <c>Enabled</c> leaves it out in any case.</summary>
    public bool IsDisabled { get; init; }

    /// <summary>Everything that decides on it.</summary>
    public IEnumerable<object> Flags =>
        Conditions.Select(condition => condition.Flag).Concat(EnabledWhen is null ? [] : [EnabledWhen.Flag]);

    /// <summary>Whether it is in the wiring where flags come out so.</summary>
    public bool Holds(IReadOnlyDictionary<object, bool> flags) =>
        Conditions.All(condition => flags[condition.Flag] == condition.Value);

    /// <summary>Whether it counts, and is not left out by <c>Enabled</c>.</summary>
    public bool IsEnabled(IReadOnlyDictionary<object, bool> flags) =>
        !IsDisabled && (EnabledWhen is null || flags[EnabledWhen.Flag] == EnabledWhen.Value);

    /// <summary>The entry where some conditions hold: without what they already say; null if they leave it out.</summary>
    public WiringEntry? Given(IReadOnlyList<Condition> known) => known.Count == 0 ? this
        : Conditions.Any(condition => known.Any(each => each.Flag.Equals(condition.Flag) && each.Value != condition.Value)) ? null
        : this with { Conditions = [.. Conditions.Where(condition => !known.Contains(condition))] };

    public WiringEntry When(IReadOnlyList<Condition> conditions) =>
        conditions.Count == 0 ? this : this with { Conditions = [.. conditions, .. Conditions] };
}
