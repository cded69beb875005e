namespace Junctivor.Generators.Following;

/// <summary>What a use of a list of registrations can do to it.</summary>
[Flags]
internal enum ListEffect
{
    /// <summary>It is only read.</summary>
    None = 0,

    /// <summary>A call of <c>Add</c>.</summary>
    Adds = 1,

    /// <summary>The member that uses it returns it, so its callers have it.</summary>
    Returns = 2,

    /// <summary>Something else that may change it, or gives it to code that may.</summary>
    MayChange = 4,
}
