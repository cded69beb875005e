using Junctivor.Graph;
using Microsoft.CodeAnalysis;

namespace Junctivor.Generators.Symbols;

/// <summary>A type, read from the compiler's symbols.</summary>
/// <param name="symbol">The type, without what the program does not know of it at run time.</param>
/// <param name="types">Where it is entered.</param>
internal sealed class SymbolType(ITypeSymbol symbol, SymbolCatalog types) : TypeRef
{
    private IReadOnlyList<TypeRef>? _arguments;
    private IReadOnlyList<TypeRef>? _supertypes;
    private string? _simpleName;

    public ITypeSymbol Symbol => symbol;

    public SymbolCatalog Catalog => types;

    public override string Name => types.Names.IsShared(SimpleName) ? QualifiedName : SimpleName;

    public override string SimpleName => _simpleName ??= SymbolNames.Short(symbol);

    public override string OwnName => SymbolNames.Own(symbol);

    public override string QualifiedName => SymbolNames.Qualified(symbol);

    public override string DefinitionName => SymbolNames.Definition(symbol);

    public override TypeRef? Definition =>
        symbol is INamedTypeSymbol named && IsGeneric && !IsDefinition ? types[named.OriginalDefinition] : null;

    public override IReadOnlyList<TypeRef> Arguments => _arguments ??= symbol switch
    {
        IArrayTypeSymbol { IsSZArray: true } array => [types[array.ElementType]],
        INamedTypeSymbol named when IsGeneric && !IsDefinition => [.. AllArguments(named).Select(argument => types[argument])],
        _ => [],
    };

    public override bool IsValueType => symbol.IsValueType || symbol.TypeKind is TypeKind.Pointer or TypeKind.FunctionPointer;

    public override bool IsDefinition => IsGeneric && SymbolEqualityComparer.Default.Equals(symbol, symbol.OriginalDefinition);

    public override bool IsOpen => IsOpenType(symbol);

    public override bool IsInterface => symbol.TypeKind == TypeKind.Interface;

    public override bool IsMarker => IsInterface && types.Edition.WithMembers(symbol).GetMembers().IsEmpty && symbol.Interfaces.IsEmpty;

    public override (string Call, bool IsAsync)? FirstUse => types.All.FirstUseOf(symbol);

    public override bool IsSelfRegistered => symbol.GetAttributes().Any(attribute => IsSelfRegisteredAttribute(attribute.AttributeClass));

    public override bool IsAbstract => symbol.IsAbstract && !IsInterface;

    public override bool IsStatic => symbol.IsStatic;

    public override bool IsTrimmed => false;

    public override bool IsDelegate => symbol.TypeKind == TypeKind.Delegate;

    public override bool IsDisposable => Implements(symbol, "System.IDisposable") || Implements(symbol, "System.IAsyncDisposable");

    public override IReadOnlyList<TypeRef> Supertypes =>
        _supertypes ??= [.. AllSupertypes(symbol).Select(OfDefinition).Select(supertype => types[supertype]).Distinct()];

    public override IReadOnlyList<string> State => types.Left.StateOf(symbol) ?? types.All.StateOf(symbol);

    public override IReadOnlyList<string> Moments => types.Left.MomentsOf(symbol) ?? types.All.MomentsOf(symbol);

    /// <summary>Whether it is a closed or open generic type, or stands in one.</summary>
    public bool IsGeneric => symbol is INamedTypeSymbol { IsGenericType: true };

    /// <summary><c>T</c> for <c>T?</c> of a struct; null for other types.</summary>
    public static ITypeSymbol? UnderlyingOf(ITypeSymbol type) =>
        type is INamedTypeSymbol { ConstructedFrom.SpecialType: SpecialType.System_Nullable_T } named
        && !SymbolEqualityComparer.Default.Equals(named, named.OriginalDefinition)
            ? named.TypeArguments[0]
            : null;

    public override bool Equals(TypeRef? other) => ReferenceEquals(this, other);

    public override int GetHashCode() => System.Runtime.CompilerServices.RuntimeHelpers.GetHashCode(this);

    /// <summary>Whether a type parameter stands somewhere in a type; a definition has its own.</summary>
    public static bool IsOpenType(ITypeSymbol type) => type switch
    {
        ITypeParameterSymbol => true,
        IArrayTypeSymbol array => IsOpenType(array.ElementType),
        IPointerTypeSymbol pointer => IsOpenType(pointer.PointedAtType),
        INamedTypeSymbol { IsGenericType: true } named => AllArguments(named).Any(IsOpenType),
        _ => false,
    };

    /// <summary>The type arguments, those of the types around it first.</summary>
    public static IEnumerable<ITypeSymbol> AllArguments(INamedTypeSymbol type) =>
        type.ContainingType is { } outer ? AllArguments(outer).Concat(type.TypeArguments) : type.TypeArguments;

    /// <summary>The constructors that other code can call.</summary>
    public static IEnumerable<IMethodSymbol> PublicConstructors(ITypeSymbol type) => type is INamedTypeSymbol named
        ? named.InstanceConstructors.Where(constructor =>
            constructor.DeclaredAccessibility == Accessibility.Public
            && !(constructor.IsImplicitlyDeclared && named.IsValueType))
        : [];

    /// <summary>The base classes and interfaces of a type.</summary>
    public static IEnumerable<ITypeSymbol> AllSupertypes(ITypeSymbol type)
    {
        for (INamedTypeSymbol? parent = type.BaseType; parent is not null; parent = parent.BaseType)
        {
            yield return parent;
        }

        foreach (INamedTypeSymbol implemented in type.AllInterfaces)
        {
            yield return implemented;
        }
    }

    /// <summary>Whether a type is, or implements, what bears a name in metadata.</summary>
    public static bool Implements(ITypeSymbol type, string metadataName) =>
        SymbolNames.Definition(type) == metadataName || type.AllInterfaces.Any(each => SymbolNames.Definition(each) == metadataName);

    private ITypeSymbol OfDefinition(ITypeSymbol supertype) => IsDefinition ? supertype.OriginalDefinition : supertype;

    private static bool IsSelfRegisteredAttribute(INamedTypeSymbol? attribute)
    {
        for (INamedTypeSymbol? type = attribute; type is not null; type = type.BaseType)
        {
            if (SymbolNames.Definition(type) == "Junctivor.SelfRegisteredAttribute")
            {
                return true;
            }
        }

        return false;
    }
}
