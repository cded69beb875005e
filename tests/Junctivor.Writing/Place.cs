namespace Junctivor.Writing;

/// <summary>Where a way can be written.</summary>
internal enum Place
{
    /// <summary>Wherever an expression can be.</summary>
    Anywhere,

    /// <summary>In the program, not in the other project.</summary>
    Program,

    /// <summary>Where statements can be written.</summary>
    Block,

    /// <summary>In programs with another project.</summary>
    Library,
}
