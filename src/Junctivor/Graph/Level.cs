namespace Junctivor.Graph;

/// <summary>How long an instance lives: as long as the container, a scope of some level, or not shared at all.</summary>
internal sealed class Level(string name, Level? within = null, string? variable = null)
{
    private readonly int _depth = within is null ? 0 : within._depth + 1;

    /// <summary>A level further out, so that one of a thousand nested levels finds an outer one in a few steps; null for the
    /// outermost.</summary>
    private readonly Level? _farther = FartherFrom(within);

    public static readonly Level Singleton = new("singleton");

    public static readonly Level Scoped = new("scoped");

    public static readonly Level Transient = new("transient");

    public string Name { get; } = name;

    /// <summary>The field or property that the program keeps it in, as far as that is known; null if it is not.</summary>
    public string? Variable { get; } = variable;

    /// <summary>The level around a level of the user's own; null if it is entered from the container.</summary>
    public Level? Within { get; } = within;

    /// <summary>Whether each asking gets an instance of its own.</summary>
    public bool IsTransient => this == Transient;

    public bool IsUsersOwn => this != Singleton && this != Scoped && this != Transient;

    /// <summary>Whether something of this level can end while a holder of <paramref name="holder"/> level lives on.</summary>
    public bool IsShorterThan(Level holder) => this switch
    {
        _ when this == holder || this == Singleton || holder == Scoped => false,
        _ when this == Scoped || holder == Singleton => true,
        _ => IsInside(holder),
    };

    /// <summary>Whether no scope can hold both: two levels of which neither is around the other.</summary>
    public bool IsApartFrom(Level other) =>
        this != other && IsUsersOwn && other.IsUsersOwn && !IsInside(other) && !other.IsInside(this);

    /// <summary>Whether a member has the name of the level, and so is not the method that the level is created in.</summary>
    public static bool IsNamedAfter(string? member, string name)
    {
        string letters = string.Concat(name.Where(char.IsLetterOrDigit));
        return member is { Length: > 0 } && letters.Length > 0
            && (member.Contains(letters, StringComparison.OrdinalIgnoreCase)
                || letters.Contains(member, StringComparison.OrdinalIgnoreCase));
    }

    public override string ToString() => Name;

    private bool IsInside(Level outer)
    {
        Level level = this;
        while (level._depth > outer._depth)
        {
            level = level._farther!._depth >= outer._depth ? level._farther : level.Within!;
        }

        return level == outer && level != this;
    }

    /// <summary>Twice as far as the two jumps before, if those were of one length; else the next one out.</summary>
    private static Level? FartherFrom(Level? within) =>
        within?._farther is { _farther: { } second } first && within._depth - first._depth == first._depth - second._depth
            ? second
            : within;
}
