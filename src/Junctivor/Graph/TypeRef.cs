using System.Diagnostics.CodeAnalysis;

namespace Junctivor.Graph;

/// <summary>
/// A type as the graph knows it: a name and an identity. Where the facts come from (reflection, or the
/// compiler's symbols) is the reader's business.
/// </summary>
internal sealed class TypeRef(string id, string simpleName, NameBook names) : IEquatable<TypeRef>
{
    /// <summary>The definition name of <c>string</c>.</summary>
    public const string Text = "System.String";

    /// <summary>The definition name of <c>object</c>, which everything serves and nobody means.</summary>
    public const string Anything = "System.Object";

    /// <summary>The definition name of the base library's class for types.</summary>
    public const string ReflectedType = "System.Type";

    private readonly int _hash = StringComparer.Ordinal.GetHashCode(id);
    private string? _qualifiedName;
    private IReadOnlyList<TypeRef>? _supertypes;
    private IReadOnlyList<string>? _state;
    private bool? _isDisposable;

    /// <summary>What tells this type from every other one that the reader has met.</summary>
    public string Id { get; } = id;

    /// <summary>The short name, or the name with its namespace where two types share the short one.</summary>
    public string Name => names.IsShared(SimpleName) ? QualifiedName : SimpleName;

    public string SimpleName { get; } = simpleName;

    /// <summary>The name without anything around it, and without type arguments.</summary>
    public required string OwnName { get; init; }

    /// <summary>The name with its namespace.</summary>
    public string QualifiedName => _qualifiedName ??= Facts.ReadQualifiedName();

    /// <summary>Reads what is asked for seldom.</summary>
    [SuppressMessage("Performance", "CA1859", Justification = "The graph must not know how types are read.")]
    public required ITypeFacts Facts { private get; init; }

    /// <summary>The name in metadata of the generic definition, such as <c>System.Func`2</c>; <c>[]</c> for an array.</summary>
    public string DefinitionName { get; init; } = id;

    /// <summary>The generic definition; null for everything but a closed generic type.</summary>
    public TypeRef? Definition { get; init; }

    /// <summary>The type arguments, or the element type of an array.</summary>
    public IReadOnlyList<TypeRef> Arguments { get; init; } = [];

    public bool IsValueType { get; init; }

    /// <summary>Whether it is a generic definition, such as <c>IArchive&lt;&gt;</c>.</summary>
    public bool IsDefinition { get; init; }

    /// <summary>Whether a type parameter stands somewhere in it.</summary>
    public bool IsOpen { get; init; }

    public bool IsInterface { get; init; }

    public bool IsAbstract { get; init; }

    public bool IsStatic { get; init; }

    public bool IsDelegate { get; init; }

    public bool IsDisposable => _isDisposable ??= Facts.ReadIsDisposable();

    /// <summary>How deep generic types are nested in it.</summary>
    public int Nesting => Arguments.Count == 0 ? 0 : 1 + Arguments.Max(argument => argument.Nesting);

    /// <summary>Every base class and interface of the type; of a generic definition, those of its supertypes.</summary>
    public IReadOnlyList<TypeRef> Supertypes => _supertypes ??= Facts.ReadSupertypes();

    /// <summary>The fields and properties that an object keeps of its own, beside what its constructor was given.</summary>
    public IReadOnlyList<string> State => _state ??= Facts.ReadState();

    /// <summary>Whether an instance of this type can stand where <paramref name="service"/> is wanted.</summary>
    public bool Serves(TypeRef service) => Equals(service) || Supertypes.Contains(service);

    /// <summary>Whether it is this class, or a closing of it.</summary>
    public bool IsClosingOf(TypeRef definition) => Equals(definition) || Definition?.Equals(definition) == true;

    public bool Equals(TypeRef? other) => ReferenceEquals(this, other) || (other is not null && other._hash == _hash && other.Id == Id);

    public override bool Equals(object? obj) => Equals(obj as TypeRef);

    public override int GetHashCode() => _hash;

    public override string ToString() => Name;
}
