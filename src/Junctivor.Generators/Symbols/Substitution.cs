using Microsoft.CodeAnalysis;

namespace Junctivor.Generators.Symbols;

/// <summary>Puts type arguments in the place of type parameters.</summary>
internal static class Substitution
{
    /// <summary>A type, with what is known of its type parameters.</summary>
    public static ITypeSymbol In(
        ITypeSymbol type, IReadOnlyDictionary<ITypeSymbol, ITypeSymbol> arguments, Compilation compilation) => type switch
        {
            _ when arguments.Count == 0 => type,
            ITypeParameterSymbol => arguments.GetValueOrDefault(type.WithNullableAnnotation(NullableAnnotation.None)) ?? type,
            IArrayTypeSymbol array => compilation.CreateArrayTypeSymbol(In(array.ElementType, arguments, compilation), array.Rank),
            INamedTypeSymbol { IsGenericType: true, IsUnboundGenericType: false } named => InNamed(named, arguments, compilation),
            _ => type,
        };

    private static INamedTypeSymbol InNamed(
        INamedTypeSymbol named, IReadOnlyDictionary<ITypeSymbol, ITypeSymbol> arguments, Compilation compilation)
    {
        INamedTypeSymbol definition = named.ContainingType is { IsGenericType: true } outer
            ? InNamed(outer, arguments, compilation).GetTypeMembers(named.Name, named.Arity).First()
            : named.OriginalDefinition;
        return named.Arity == 0
            ? definition
            : definition.Construct([.. named.TypeArguments.Select(argument => In(argument, arguments, compilation))]);
    }
}
