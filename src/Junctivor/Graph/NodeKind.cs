namespace Junctivor.Graph;

/// <summary>What creates the instances of a node.</summary>
internal enum NodeKind
{
    /// <summary>A constructor of a class.</summary>
    Class,

    /// <summary>A function of the user's.</summary>
    Factory,

    /// <summary>An object that existed before the container.</summary>
    Value,

    /// <summary>A value that somebody supplies later.</summary>
    Incoming,

    /// <summary>Nothing: it gives what another service gives.</summary>
    Alias,
}
