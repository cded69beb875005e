using Microsoft.CodeAnalysis;

namespace Junctivor.Generators.Following;

/// <summary>The code that a call runs.</summary>
/// <param name="Function">The method, local function or lambda.</param>
/// <param name="Statements">Its statements.</param>
/// <param name="Frame">The evaluation that the call is.</param>
internal sealed record CalledBody(IMethodSymbol Function, IReadOnlyList<IOperation> Statements, Frame Frame)
{
    /// <summary>The parameter that gets an argument.</summary>
    /// <param name="called">The parameter that the call names: of another method, if that can be overridden or is a delegate.</param>
    public IParameterSymbol ParameterFor(IParameterSymbol called) =>
        called.ContainingSymbol is INamedTypeSymbol
            ? called.OriginalDefinition
            : Functions.InBody(Function.OriginalDefinition.Parameters[called.Ordinal]);
}
