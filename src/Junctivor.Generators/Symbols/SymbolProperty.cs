using Junctivor.Graph;
using Microsoft.CodeAnalysis;

namespace Junctivor.Generators.Symbols;

/// <summary>A property that is filled, read from the compiler's symbols.</summary>
/// <param name="symbol">The property.</param>
/// <param name="declared">Its type.</param>
/// <param name="mark">The mark that stands on it.</param>
internal sealed class SymbolProperty(IPropertySymbol symbol, SymbolType declared, Mark? mark) : Parameter(declared.Wanted)
{
    public override string Name => symbol.MetadataName;

    public override Mark? Mark => mark;

    public override bool IsOptional => declared.IsNullable
        || (!declared.IsValueType && symbol.OriginalDefinition.NullableAnnotation == NullableAnnotation.Annotated);

    public override string? Obstacle =>
        symbol.IsIndexer ? "is an indexer"
        : symbol.SetMethod is { DeclaredAccessibility: Accessibility.Public } ? declared.ObstacleAs(RefKind.None)
        : "has no public setter";
}
