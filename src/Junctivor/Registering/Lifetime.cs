namespace Junctivor;

/// <summary>How long an instance is shared.</summary>
public enum Lifetime
{
    /// <summary>One for the container.</summary>
    Singleton,

    /// <summary>One for each scope.</summary>
    Scoped,

    /// <summary>A new instance each time it is resolved.</summary>
    Transient,
}
