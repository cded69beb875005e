using Microsoft.CodeAnalysis;

namespace Junctivor.Generators.Symbols;

/// <summary>Takes from a type what the program does not know at run time: the names of tuple elements, <c>dynamic</c>, and question marks
/// of references.</summary>
internal static class Erasure
{
    public static ITypeSymbol Of(ITypeSymbol type, Compilation compilation) => type switch
    {
        IDynamicTypeSymbol => compilation.GetSpecialType(SpecialType.System_Object),
        IArrayTypeSymbol array => OfArray(array, compilation),
        INamedTypeSymbol { IsUnboundGenericType: true } unbound => unbound.OriginalDefinition,
        INamedTypeSymbol { IsTupleType: true, TupleUnderlyingType: { } plain } when !SymbolEqualityComparer.Default.Equals(plain, type) =>
            Of(plain, compilation),
        INamedTypeSymbol named => OfNamed(named, compilation),
        _ => type.WithNullableAnnotation(NullableAnnotation.None),
    };

    private static ITypeSymbol OfArray(IArrayTypeSymbol array, Compilation compilation) =>
        Of(array.ElementType, compilation) is { } element && !SymbolEqualityComparer.Default.Equals(element, array.ElementType)
            ? compilation.CreateArrayTypeSymbol(element, array.Rank)
            : array.WithNullableAnnotation(NullableAnnotation.None);

    private static ITypeSymbol OfNamed(INamedTypeSymbol named, Compilation compilation)
    {
        INamedTypeSymbol plain = (INamedTypeSymbol)named.WithNullableAnnotation(NullableAnnotation.None);
        if (!plain.IsGenericType || plain.TypeArguments.IsEmpty || IsPlain(plain, compilation))
        {
            return plain;
        }

        INamedTypeSymbol definition = plain.ContainingType is { IsGenericType: true } outer
            ? ((INamedTypeSymbol)Of(outer, compilation)).GetTypeMembers(plain.Name, plain.Arity).First()
            : plain.OriginalDefinition;
        return definition.Construct([.. plain.TypeArguments.Select(argument => Of(argument, compilation))]);
    }

    private static bool IsPlain(INamedTypeSymbol type, Compilation compilation) =>
        type.TypeArguments.All(argument => SymbolEqualityComparer.IncludeNullability.Equals(Of(argument, compilation), argument))
            && (type.ContainingType is not { IsGenericType: true } outer || IsPlain(outer, compilation));
}
