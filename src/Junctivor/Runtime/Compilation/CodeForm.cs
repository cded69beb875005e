namespace Junctivor.Runtime;

/// <summary>How code comes to what a plan gives.</summary>
internal enum CodeForm
{
    /// <summary>It does not: that is created step by step.</summary>
    Impossible,

    /// <summary>A value that is known.</summary>
    Constant,

    /// <summary>A singleton, once it is there.</summary>
    Ready,

    /// <summary>What lies in a slot of the scope, or is created and put there.</summary>
    Scoped,

    /// <summary>What may or may not be there: a value supplied, the scope itself, an instance of a scope around this one.</summary>
    Fetched,

    /// <summary>What the recipe gives without further ado: a wrapper.</summary>
    Asked,

    /// <summary>What a constructor creates.</summary>
    Constructed,

    /// <summary>A fresh array.</summary>
    List,

    /// <summary>A fresh dictionary.</summary>
    Dictionary,
}
