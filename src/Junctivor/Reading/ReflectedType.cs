using System.Diagnostics.CodeAnalysis;
using System.Reflection;
using Junctivor.Graph;
using Junctivor.Registering;

namespace Junctivor.Reading;

/// <summary>A type, read by reflection.</summary>
internal sealed class ReflectedType : TypeRef
{
    private readonly TypeCatalog _types;
    private readonly Traits _traits;
    private Details? _details;

    /// <param name="type">The type.</param>
    /// <param name="types">Where it is entered.</param>
    public ReflectedType(Type type, TypeCatalog types)
    {
        Type = type;
        _types = types;
        _traits = Read(type);
    }

    [Flags]
    private enum Traits
    {
        None = 0,
        Value = 1,
        Interface = 2,
        Abstract = 4,
        Sealed = 8,
        Generic = 16,
        Definition = 32,
        Open = 64,
        ByReference = 128,
        Element = 256,
    }

    public Type Type { get; }

    /// <summary>The plan for an unmarked dependency of this type. Only <see cref="Runtime.PlanCache"/> sets and reads it.</summary>
    public object? UnmarkedPlan { get; set; }

    /// <summary>What annotations and constants of parameters are kept with.</summary>
    public TypeCatalog Catalog => _types;

    public override string Name => _types.Names.IsShared(SimpleName) ? QualifiedName : SimpleName;

    public override string SimpleName => Known.SimpleName ??= TypeNames.Short(Type);

    public override string OwnName => TypeNames.Own(Type);

    public override string QualifiedName => Known.QualifiedName ??= TypeNames.Qualified(Type);

    public override string DefinitionName => TypeNames.Definition(Type);

    public override TypeRef? Definition => Has(Traits.Generic) && !Has(Traits.Definition) ? _types[Type.GetGenericTypeDefinition()] : null;

    public override IReadOnlyList<TypeRef> Arguments => Has(Traits.Generic | Traits.Element) ? Known.Arguments ??= ReadArguments() : [];

    public override bool IsValueType => Has(Traits.Value);

    public override bool IsDefinition => Has(Traits.Definition);

    public override bool IsOpen => Has(Traits.Open);

    public override bool IsInterface => Has(Traits.Interface);

    [UnconditionalSuppressMessage("Trimming", "IL2075", Justification = "It is asked only of a program that is still being written.")]
    public override bool IsMarker => IsInterface && Type.GetMembers().Length == 0 && Type.GetInterfaces().Length == 0;

    public override (string Call, bool IsAsync)? FirstUse => ReflectedTypes.All.FirstUseOf(Type);

    public override bool IsSelfRegistered => Type.IsDefined(typeof(SelfRegisteredAttribute), inherit: false);

    public override bool IsAbstract => Has(Traits.Abstract) && !Has(Traits.Interface);

    public override bool IsStatic => Has(Traits.Abstract) && Has(Traits.Sealed);

    /// <summary>The compiler gives each class a constructor, if only a private one.</summary>
    [UnconditionalSuppressMessage("Trimming", "IL2075", Justification = "What was trimmed away is what it is about.")]
    public override bool IsTrimmed => Type.IsClass
        && !IsStatic
        && Type.GetConstructors(BindingFlags.Instance | BindingFlags.Public | BindingFlags.NonPublic).Length == 0;

    public override bool IsDelegate => Has(Traits.Sealed) && Type.BaseType == typeof(MulticastDelegate);

    public override bool IsDisposable =>
        Known.IsDisposable ??= typeof(IDisposable).IsAssignableFrom(Type) || typeof(IAsyncDisposable).IsAssignableFrom(Type);

    public override IReadOnlyList<TypeRef> Supertypes => Known.Supertypes ??= ReadSupertypes();

    public override IReadOnlyList<string> State => Known.State ??= ReflectedTypes.All.StateOf(Type);

    public override IReadOnlyList<string> Moments => Known.Moments ??= ReflectedTypes.All.MomentsOf(Type);

    /// <summary>Whether it is a closed or open generic type.</summary>
    public bool IsGeneric => Has(Traits.Generic);

    public bool IsByReference => Has(Traits.ByReference);

    /// <summary>Why no container can hand one over, such as <c>is passed by reference</c>; null if one can.</summary>
    public string? Obstacle => !Has(Traits.Element | Traits.Value) ? null : Type switch
    {
        { IsByRef: true } => "is passed by reference",
        { IsPointer: true } or { IsFunctionPointer: true } => "is a pointer",
        { IsByRefLike: true } => "lives on the stack only",
        _ => null,
    };

    /// <summary>What is resolved by it: <c>T</c> for <c>T?</c> of a struct, and itself for the rest.</summary>
    public ReflectedType Wanted => NullableOf is { } underlying ? _types.Of(underlying) : this;

    /// <summary>Whether it is <c>T?</c> of a struct.</summary>
    public bool IsNullable => NullableOf is not null;

    private Type? NullableOf => Has(Traits.Value) && Has(Traits.Generic) ? Nullable.GetUnderlyingType(Type) : null;

    private Details Known => _details ?? Interlocked.CompareExchange(ref _details, new Details(), null) ?? _details;

    /// <summary>A class that can be assigned may still be one of a variant interface, which the container does not count.</summary>
    public override bool Serves(TypeRef service) =>
        Equals(service) || (((ReflectedType)service).CanTake(this) && HasSupertype(service));

    public override bool Equals(TypeRef? other) =>
        ReferenceEquals(this, other) || (other is ReflectedType reflected && reflected.Type == Type);

    public override int GetHashCode() => Type.GetHashCode();

    private bool HasSupertype(TypeRef service)
    {
        IReadOnlyList<TypeRef> supertypes = Supertypes;
        for (int number = 0; number < supertypes.Count; number++)
        {
            if (supertypes[number].Equals(service))
            {
                return true;
            }
        }

        return false;
    }

    private bool CanTake(ReflectedType other) => IsOpen || other.IsOpen || Type.IsAssignableFrom(other.Type);

    private bool Has(Traits any) => (_traits & any) != 0;

    private static Traits Read(Type type)
    {
        TypeAttributes attributes = type.Attributes;
        Traits traits = Traits.None;
        Mark(Traits.Interface, (attributes & TypeAttributes.ClassSemanticsMask) == TypeAttributes.Interface);
        Mark(Traits.Abstract, (attributes & TypeAttributes.Abstract) != 0);
        Mark(Traits.Sealed, (attributes & TypeAttributes.Sealed) != 0);
        Mark(Traits.Value, type.IsValueType);
        Mark(Traits.Generic, type.IsGenericType);
        Mark(Traits.Element, type.HasElementType || type.IsFunctionPointer);
        if ((traits & (Traits.Generic | Traits.Element)) != 0 || type.IsGenericParameter)
        {
            Mark(Traits.Definition, type.IsGenericTypeDefinition);
            Mark(Traits.Open, type.ContainsGenericParameters);
            Mark(Traits.ByReference, type.IsByRef);
        }

        return traits;

        void Mark(Traits trait, bool holds) => traits |= holds ? trait : Traits.None;
    }

    private IReadOnlyList<TypeRef> ReadArguments() => Type switch
    {
        { IsSZArray: true } => [_types[Type.GetElementType()!]],
        { IsGenericType: true, IsGenericTypeDefinition: false } => [.. Type.GenericTypeArguments.Select(argument => _types[argument])],
        _ => [],
    };

    private IReadOnlyList<TypeRef> ReadSupertypes()
    {
        IEnumerable<Type> supertypes = TypeCatalog.AllSupertypes(Type);
        return [.. (IsDefinition ? supertypes.Select(OfDefinition) : supertypes).Distinct().Select(supertype => _types[supertype])];

        static Type OfDefinition(Type supertype) => supertype.IsGenericType ? supertype.GetGenericTypeDefinition() : supertype;
    }

    /// <summary>What somebody wanted to know.</summary>
    private sealed class Details
    {
        public string? SimpleName { get; set; }

        public string? QualifiedName { get; set; }

        public bool? IsDisposable { get; set; }

        public IReadOnlyList<TypeRef>? Arguments { get; set; }

        public IReadOnlyList<TypeRef>? Supertypes { get; set; }

        public IReadOnlyList<string>? State { get; set; }

        public IReadOnlyList<string>? Moments { get; set; }
    }
}
