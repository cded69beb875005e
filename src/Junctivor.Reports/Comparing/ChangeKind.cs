namespace Junctivor.Reports.Comparing;

/// <summary>How one registration differs between two wirings.</summary>
public enum ChangeKind
{
    /// <summary>It is there only afterwards.</summary>
    Added,

    /// <summary>It was there only before.</summary>
    Removed,

    /// <summary>Something else serves the same.</summary>
    Replaced,

    /// <summary>It lives longer or shorter.</summary>
    LifetimeChanged,

    /// <summary>It requests other things.</summary>
    DependenciesChanged,

    /// <summary>The same registrations serve in another order, which lists and decorators see.</summary>
    OrderChanged,
}
