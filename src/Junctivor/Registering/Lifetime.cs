namespace Junctivor;

/// <summary>How long an instance is shared.</summary>
public enum Lifetime
{
    /// <summary>One for the container.</summary>
    Singleton,

    /// <summary>One for each scope.</summary>
    Scoped,

    /// <summary>A new one each time that it is asked for.</summary>
    Transient,
}
