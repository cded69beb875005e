namespace Junctivor.Graph;

/// <summary>
/// A type as the graph knows it: an identity, and what rules and messages want to know of it. Where that comes from (reflection, or the
/// compiler's symbols) is the reader's business. Most is never requested, so nothing is read before it is. Safe for use by several threads.
/// </summary>
internal abstract class TypeRef : IEquatable<TypeRef>
{
    /// <summary>Who offers it without a mark. Only <see cref="CandidateTable"/> knows what stands here.</summary>
    public object? RegisteredCandidates { get; set; }

    /// <summary>The short name, or the name with its namespace where two types share the short one.</summary>
    public abstract string Name { get; }

    /// <summary>The short name, with type arguments.</summary>
    public abstract string SimpleName { get; }

    /// <summary>The name without anything around it, and without type arguments.</summary>
    public abstract string OwnName { get; }

    /// <summary>The name with its namespace.</summary>
    public abstract string QualifiedName { get; }

    /// <summary>The name in metadata of the generic definition, such as <c>System.Func`2</c>; <c>[]</c> for an array.</summary>
    public abstract string DefinitionName { get; }

    /// <summary>The generic definition; null for everything but a closed generic type.</summary>
    public abstract TypeRef? Definition { get; }

    /// <summary>The type arguments, or the element type of an array.</summary>
    public abstract IReadOnlyList<TypeRef> Arguments { get; }

    public abstract bool IsValueType { get; }

    /// <summary>Whether it is a generic definition, such as <c>IArchive&lt;&gt;</c>.</summary>
    public abstract bool IsDefinition { get; }

    /// <summary>Whether a type parameter stands somewhere in it.</summary>
    public abstract bool IsOpen { get; }

    public abstract bool IsInterface { get; }

    /// <summary>Whether it is a class with <c>[SelfRegistered]</c>.</summary>
    public abstract bool IsSelfRegistered { get; }

    /// <summary>Whether it is an interface without members.</summary>
    public abstract bool IsMarker { get; }

    /// <summary>How a member of it is called, the first that a class would use: <c>PurgeAsync(cancellationToken)</c>; null if it has
    /// none.</summary>
    public abstract (string Call, bool IsAsync)? FirstUse { get; }

    /// <summary>Whether it is a class of which there are no instances; an interface is none.</summary>
    public abstract bool IsAbstract { get; }

    public abstract bool IsStatic { get; }

    /// <summary>Whether it is a class of which trimming has removed all constructors.</summary>
    public abstract bool IsTrimmed { get; }

    public abstract bool IsDelegate { get; }

    /// <summary>Whether an instance has something to dispose.</summary>
    public abstract bool IsDisposable { get; }

    /// <summary>How deep generic types are nested in it.</summary>
    public int Nesting => Arguments.Count == 0 ? 0 : 1 + Arguments.Max(argument => argument.Nesting);

    /// <summary>Every base class and interface of the type; of a generic definition, the definitions of those.</summary>
    public abstract IReadOnlyList<TypeRef> Supertypes { get; }

    /// <summary>The fields and properties that an object keeps of its own, beside what its constructor was given.</summary>
    public abstract IReadOnlyList<string> State { get; }

    /// <summary>The fields and properties that keep a date, a time or a new identifier: what differs from one object to the next, also
    /// where the constructor was given it.</summary>
    public abstract IReadOnlyList<string> Moments { get; }

    /// <summary>Whether an instance of this type can stand where <paramref name="service"/> is wanted.</summary>
    public virtual bool Serves(TypeRef service) => Equals(service) || Supertypes.Contains(service);

    /// <summary>Whether it is this class, or a closing of it.</summary>
    public bool IsClosingOf(TypeRef definition) =>
        Equals(definition) || (definition.IsDefinition && Definition?.Equals(definition) == true);

    public abstract bool Equals(TypeRef? other);

    public sealed override bool Equals(object? obj) => Equals(obj as TypeRef);

    public abstract override int GetHashCode();

    public sealed override string ToString() => Name;
}
