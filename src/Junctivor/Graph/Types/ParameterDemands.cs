namespace Junctivor.Graph;

/// <summary>What <c>where</c> demands of a type parameter, apart from base types.</summary>
[Flags]
internal enum ParameterDemands
{
    None = 0,

    /// <summary><c>class</c>.</summary>
    Class = 1,

    /// <summary><c>struct</c>, also as part of <c>unmanaged</c>.</summary>
    Struct = 2,

    /// <summary><c>new()</c>.</summary>
    Constructor = 4,
}
