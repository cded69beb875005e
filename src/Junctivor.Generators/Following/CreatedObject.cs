using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.Operations;

namespace Junctivor.Generators.Following;

/// <summary>An object whose members give a wiring: two are the same only if they are created in one evaluation of one expression.</summary>
/// <param name="Creation">The expression.</param>
/// <param name="Frame">The evaluation.</param>
/// <param name="Keeper">The static field that keeps it; null for none.</param>
internal sealed record CreatedObject(IObjectCreationOperation Creation, Frame Frame, ISymbol? Keeper = null)
{
    /// <summary>The calls of its methods before it is used, in order; null if not all are known. Two objects do not differ by
    /// them.</summary>
    public IReadOnlyList<ObjectCall>? Calls { get; init; } = [];

    public bool Equals(CreatedObject? other) =>
        other is not null
        && Creation == other.Creation
        && Frame == other.Frame
        && SymbolEqualityComparer.Default.Equals(Keeper, other.Keeper);

    public override int GetHashCode() => Creation.GetHashCode();

    /// <summary>What is passed for a parameter of its primary constructor; null for another parameter.</summary>
    public IOperation? ArgumentFor(IParameterSymbol parameter) => Creation.Arguments
        .FirstOrDefault(argument =>
            SymbolEqualityComparer.Default.Equals(argument.Parameter?.OriginalDefinition, parameter.OriginalDefinition))
        ?.Value;
}
