using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.Operations;

namespace Junctivor.Generators.Following;

/// <summary>An object whose members give a wiring: two are the same only if they are created in one evaluation of one expression.</summary>
/// <param name="Creation">The expression.</param>
/// <param name="Frame">The evaluation.</param>
/// <param name="Keeper">The static field that keeps it; null for none.</param>
internal sealed record CreatedObject(IObjectCreationOperation Creation, Frame Frame, ISymbol? Keeper = null)
{
    /// <summary>What is passed for a parameter of its primary constructor; null for another parameter.</summary>
    public IOperation? ArgumentFor(IParameterSymbol parameter) => Creation.Arguments
        .FirstOrDefault(argument =>
            SymbolEqualityComparer.Default.Equals(argument.Parameter?.OriginalDefinition, parameter.OriginalDefinition))
        ?.Value;
}
