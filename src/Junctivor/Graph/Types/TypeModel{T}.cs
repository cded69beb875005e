namespace Junctivor.Graph;

/// <summary>
/// The types of a program, as algorithms see them that are the same by reflection and over the compiler's symbols. They look at types that
/// the wiring does not mention, so they do not use <see cref="TypeRef"/>: a type that is entered in a catalog changes which names messages
/// shorten, and which assemblies are searched. Keeps nothing.
/// </summary>
/// <typeparam name="T">A type, as the reader has it: reflected, or a symbol.</typeparam>
internal abstract class TypeModel<T>
    where T : class
{
    public abstract IEqualityComparer<T> Comparer { get; }

    /// <summary>Whether it is a type parameter.</summary>
    public abstract bool IsParameter(T type);

    /// <summary>Whether it contains a type parameter; a generic definition contains its own.</summary>
    public abstract bool IsOpen(T type);

    public abstract bool IsInterface(T type);

    public abstract bool IsValueType(T type);

    /// <summary>Whether only code of the type around it can name it.</summary>
    public abstract bool IsPrivate(T type);

    /// <summary>The name of the class as messages show it, with type arguments.</summary>
    public abstract string ShortName(T type);

    /// <summary>The name in metadata of the generic definition or of the type itself, such as <c>System.Func`2</c>.</summary>
    public abstract string DefinitionName(T type);

    /// <summary>The namespace of the type; empty for none.</summary>
    public abstract string NamespaceOf(T type);

    /// <summary>The generic definition of a constructed type; the type itself for all others.</summary>
    public abstract T DefinitionOf(T type);

    /// <summary>The type arguments, or the parameters of a definition; those of the types around it first.</summary>
    public abstract IReadOnlyList<T> ArgumentsOf(T type);

    /// <summary>The element and the rank of an array; null for other types.</summary>
    public abstract (T Element, int Rank)? ArrayOf(T type);

    /// <summary>The base class; null for <c>object</c>, and for a class that derives directly from it.</summary>
    public abstract T? BaseOf(T type);

    /// <summary>The base classes and interfaces, without <c>object</c>.</summary>
    public abstract IEnumerable<T> SupertypesOf(T type);

    /// <summary>The type around all others that it is nested in; the type itself if it is not nested.</summary>
    public abstract T Outermost(T type);

    /// <summary>Whether an object of one type is one of the other, without a conversion.</summary>
    public abstract bool IsAssignable(T from, T to);

    /// <summary>What <c>where</c> demands of a type parameter, apart from base types.</summary>
    public abstract ParameterDemands DemandsOf(T parameter);

    /// <summary>The base types that <c>where</c> demands of a type parameter.</summary>
    public abstract IEnumerable<T> ConstraintsOf(T parameter);

    public abstract bool HasDefaultConstructor(T type);

    /// <summary>Whether it is of the assembly that declares <c>object</c>.</summary>
    public abstract bool IsOfCoreLibrary(T type);

    /// <summary>The closed type; null if the arguments do not satisfy the constraints.</summary>
    public abstract T? TryClose(T definition, Func<T, T> argumentOf);

    /// <summary>The types of the parameters of all public constructors.</summary>
    public abstract IEnumerable<T> ConstructorParametersOf(T type);

    /// <summary>The instance fields that the type itself declares, with those behind its properties and events.</summary>
    public abstract IEnumerable<KeptMember<T>> FieldsOf(T type);

    /// <summary>The public methods of instances that the type itself declares, without accessors and operators.</summary>
    public abstract IEnumerable<UsableMember<T>> MethodsOf(T type);

    /// <summary>The public properties of instances that the type itself declares, without indexers.</summary>
    public abstract IEnumerable<UsableMember<T>> PropertiesOf(T type);
}
