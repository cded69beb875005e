using System.Runtime.CompilerServices;

namespace Junctivor.Registering;

/// <summary>
/// A service type that a registration names as a type argument. Whoever needs code for that very type opens it with a visitor, so that
/// nothing has to close a generic type at run time, which ahead-of-time code cannot do.
/// </summary>
internal abstract class TypeToken
{
    /// <summary>Whether registrations must keep them, as they cannot be made at run time.</summary>
    public static readonly bool AreNeeded = !RuntimeFeature.IsDynamicCodeSupported;

    public abstract Type Type { get; }

    /// <summary>Calls the visitor with the type as a type argument.</summary>
    /// <returns>What the visitor returns.</returns>
    public abstract object Open(ITypeVisitor visitor);
}
