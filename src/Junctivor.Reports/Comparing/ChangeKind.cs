namespace Junctivor.Reports.Comparing;

/// <summary>How one registration differs between two wirings.</summary>
public enum ChangeKind
{
    /// <summary>It is there only afterward.</summary>
    Added,

    /// <summary>It was there only before.</summary>
    Removed,

    /// <summary>Something else serves the same.</summary>
    Replaced,

    /// <summary>It lives longer or shorter.</summary>
    LifetimeChanged,

    /// <summary>It requires other things.</summary>
    DependenciesChanged,

    /// <summary>The same registrations serve in another order, which lists and decorators see.</summary>
    OrderChanged,
}
