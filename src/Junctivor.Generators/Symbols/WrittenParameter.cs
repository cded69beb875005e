using Junctivor.Graph;
using Microsoft.CodeAnalysis;

namespace Junctivor.Generators.Symbols;

/// <summary>A parameter of a constructor or factory.</summary>
/// <param name="Name">Its name.</param>
/// <param name="Type">What is resolved by it: <c>T</c> for <c>T?</c> of a struct.</param>
/// <param name="Mark">A text, a type, <see cref="AnyMark"/>, or null for none.</param>
/// <param name="IsOptional">Whether it is met with nothing where the service is not registered.</param>
/// <param name="Obstacle">Why no container can hand it over; null if one can.</param>
internal sealed record WrittenParameter(string Name, ITypeSymbol Type, object? Mark, bool IsOptional, string? Obstacle)
{
    /// <summary>Whether it is declared as <c>T?</c> of a struct.</summary>
    public bool IsNullableStructure { get; init; }

    /// <summary>Where it is declared; null if that is not in this source.</summary>
    public Location? Location { get; init; }

    /// <summary>Asks for all, marked or not.</summary>
    public static readonly object AnyMark = new();

    public static WrittenParameter Of(IParameterSymbol symbol, Compilation compilation)
    {
        ITypeSymbol declared = Erasure.Of(symbol.Type, compilation);
        bool isReference = symbol.RefKind is RefKind.Ref or RefKind.Out;
        return new WrittenParameter(
            symbol.Name.Length > 0 ? symbol.Name : $"parameter {symbol.Ordinal + 1}",
            SymbolType.UnderlyingOf(declared) ?? declared,
            MarkOf(symbol),
            symbol.HasExplicitDefaultValue
                || MayBeNull(declared, !isReference && IsAnnotated(symbol.OriginalDefinition.NullableAnnotation)),
            isReference ? "is passed by reference" : ObstacleOf(declared))
        {
            IsNullableStructure = SymbolType.UnderlyingOf(declared) is not null,
            Location = DeclarationOf(symbol),
        };
    }

    /// <summary>Where a parameter is declared, with its type; null if that is not in this source.</summary>
    public static Location? DeclarationOf(IParameterSymbol symbol) =>
        symbol.DeclaringSyntaxReferences.FirstOrDefault() is { } declaration ? declaration.SyntaxTree.GetLocation(declaration.Span) : null;

    public static WrittenParameter Of(IPropertySymbol symbol, Compilation compilation)
    {
        ITypeSymbol declared = Erasure.Of(symbol.Type, compilation);
        return new WrittenParameter(
            symbol.MetadataName,
            SymbolType.UnderlyingOf(declared) ?? declared,
            MarkOf(symbol),
            MayBeNull(declared, IsAnnotated(symbol.OriginalDefinition.NullableAnnotation)),
            symbol.IsIndexer ? PropertyObstacle.Indexer
                : symbol.IsStatic ? PropertyObstacle.Static
                : symbol.SetMethod is { DeclaredAccessibility: Accessibility.Public } ? ObstacleOf(declared)
                : symbol.DeclaredAccessibility == Accessibility.Public ? PropertyObstacle.NoSetter
                : PropertyObstacle.NotPublic);
    }

    /// <summary>Whether nothing may be handed over, by what the source says, whatever a type parameter is closed over.</summary>
    private static bool MayBeNull(ITypeSymbol declared, bool isAnnotated) =>
        SymbolType.UnderlyingOf(declared) is not null || (!declared.IsValueType && isAnnotated);

    private static bool IsAnnotated(NullableAnnotation annotation) => annotation == NullableAnnotation.Annotated;

    private static string? ObstacleOf(ITypeSymbol type) =>
        type.TypeKind is TypeKind.Pointer or TypeKind.FunctionPointer ? "is a pointer"
        : type.IsRefLikeType ? "lives on the stack only"
        : null;

    private static object? MarkOf(ISymbol place)
    {
        foreach (AttributeData attribute in place.GetAttributes())
        {
            switch (attribute.AttributeClass is { } type ? SymbolNames.Definition(type) : "")
            {
                case "Junctivor.MarkedAttribute":
                    return attribute.ConstructorArguments.FirstOrDefault().Value as string ?? "";
                case "Junctivor.IncludingMarkedAttribute":
                    return AnyMark;
                case "Junctivor.MarkedAttribute`1":
                    return attribute.AttributeClass!.TypeArguments[0];
                default:
                    break;
            }
        }

        return null;
    }
}
