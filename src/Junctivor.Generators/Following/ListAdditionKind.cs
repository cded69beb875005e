namespace Junctivor.Generators.Following;

/// <summary>How code adds to a list.</summary>
internal enum ListAdditionKind
{
    /// <summary>By a method of the list, such as <c>Add</c>.</summary>
    Own,

    /// <summary>By a method that the list is passed to.</summary>
    Passed,

    /// <summary>The variable gets another list.</summary>
    Assigned,

    /// <summary>By a method of an object that keeps the list.</summary>
    Held,

    /// <summary>By a local function or lambda that uses the variable.</summary>
    Called,
}
