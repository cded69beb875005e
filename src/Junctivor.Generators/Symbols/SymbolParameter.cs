using Junctivor.Graph;
using Microsoft.CodeAnalysis;

namespace Junctivor.Generators.Symbols;

/// <summary>A parameter of a constructor or factory, read from the compiler's symbols.</summary>
/// <param name="symbol">The parameter.</param>
/// <param name="declared">Its type.</param>
/// <param name="mark">The mark that stands on it.</param>
internal sealed class SymbolParameter(IParameterSymbol symbol, SymbolType declared, Mark? mark) : Parameter(declared.Wanted)
{
    public override string Name => symbol.Name.Length > 0 ? symbol.Name : $"parameter {symbol.Ordinal + 1}";

    public override Mark? Mark => mark;

    public override bool IsOptional => symbol.HasExplicitDefaultValue || IsNullable;

    public override string? Obstacle => declared.ObstacleAs(symbol.RefKind);

    /// <summary>What the source says, whatever a type parameter is closed over.</summary>
    private bool IsNullable => declared.IsNullable
        || (!declared.IsValueType
            && symbol.RefKind is not (RefKind.Ref or RefKind.Out)
            && symbol.OriginalDefinition.NullableAnnotation == NullableAnnotation.Annotated);
}
