namespace Junctivor.Registering;

/// <summary>
/// A service type that a registration names as a type argument. Whoever needs code for that very type opens it with a visitor, so that
/// nothing has to close a generic type at run time, which ahead-of-time code cannot do.
/// </summary>
internal abstract class TypeToken
{
    public abstract Type Type { get; }

    /// <summary>Calls the visitor with the type as a type argument.</summary>
    /// <returns>What the visitor returns.</returns>
    public abstract object Open(ITypeVisitor visitor);
}
