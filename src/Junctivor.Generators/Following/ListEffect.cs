namespace Junctivor.Generators.Following;

/// <summary>What a use of a list of registrations can do to it.</summary>
[Flags]
internal enum ListEffect
{
    /// <summary>It is only read.</summary>
    None = 0,

    /// <summary>Something is added: by <c>Add</c>, or by a method that it is passed to.</summary>
    Adds = 1,

    /// <summary>The member that uses it returns it, so its callers have it.</summary>
    Returns = 2,

    /// <summary>The variable gets another list.</summary>
    Sets = 8,

    /// <summary>Another variable has the same list from there on.</summary>
    Shares = 16,

    /// <summary>It is added to through another variable, after the last use of this one.</summary>
    AddsLater = 32,

    /// <summary>Something else that may change it, or gives it to code that may.</summary>
    MayChange = 4,
}
