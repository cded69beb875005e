using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.Operations;

namespace Junctivor.Generators.Following;

/// <summary>What is known of the parameters and type parameters of a method, where it was called.</summary>
/// <param name="Arguments">The arguments, each with what was known where it stands.</param>
/// <param name="Types">The type arguments.</param>
internal sealed record Frame(
    IReadOnlyDictionary<IParameterSymbol, (IOperation Value, Frame Frame)> Arguments, IReadOnlyDictionary<ITypeSymbol, ITypeSymbol> Types)
{
    /// <summary>Whether the parameters of the outermost method stay open, as the callers are in other projects.</summary>
    public bool IsTemplate { get; init; }

    /// <summary>What an operation gives, without conversions, and where that stands: the argument in the place of a parameter.</summary>
    public (IOperation Value, Frame Frame) Resolve(IOperation operation)
    {
        IOperation plain = Operations.WithoutConversions(operation);
        return plain is IParameterReferenceOperation parameter
            && Arguments.TryGetValue(parameter.Parameter, out (IOperation Value, Frame Frame) given)
            ? given.Frame.Resolve(given.Value)
            : (plain, this);
    }

    /// <summary>What is known inside a method that other projects call: that its parameters are what they are.</summary>
    public static Frame TemplateOf(ISymbol member) => Empty with
    {
        Types = member is IMethodSymbol method
            ? method.TypeParameters.Cast<ITypeSymbol>().ToDictionary<ITypeSymbol, ITypeSymbol>(type => type, SymbolEqualityComparer.Default)
            : Empty.Types,
        IsTemplate = true,
    };

    /// <summary>Nothing is known.</summary>
    public static readonly Frame Empty = new(
        new Dictionary<IParameterSymbol, (IOperation, Frame)>(SymbolEqualityComparer.Default),
        new Dictionary<ITypeSymbol, ITypeSymbol>(SymbolEqualityComparer.Default));
}
