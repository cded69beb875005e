using Microsoft.CodeAnalysis;

namespace Junctivor.Generators.Following;

/// <summary>What is known of the parameters and type parameters of a method, where it was called.</summary>
/// <param name="Arguments">The arguments, each with what was known where it stands.</param>
/// <param name="Types">The type arguments.</param>
internal sealed record Frame(
    IReadOnlyDictionary<IParameterSymbol, (IOperation Value, Frame Frame)> Arguments, IReadOnlyDictionary<ITypeSymbol, ITypeSymbol> Types)
{
    /// <summary>Nothing is known.</summary>
    public static readonly Frame Empty = new(
        new Dictionary<IParameterSymbol, (IOperation, Frame)>(SymbolEqualityComparer.Default),
        new Dictionary<ITypeSymbol, ITypeSymbol>(SymbolEqualityComparer.Default));
}
