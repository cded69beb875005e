using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.CSharp;

namespace Junctivor.Fixing.Editing;

/// <summary>The names of classes in metadata, such as <c>Harbour.Archive`1</c>.</summary>
internal static class MetadataName
{
    public static string Of(INamedTypeSymbol type)
    {
        INamedTypeSymbol definition = type.OriginalDefinition;
        return definition.ContainingType is { } outer ? $"{Of(outer)}+{definition.MetadataName}"
            : definition.ContainingNamespace is { IsGlobalNamespace: false } space ? $"{space.ToDisplayString()}.{definition.MetadataName}"
            : definition.MetadataName;
    }

    /// <exception cref="CannotEditException">The class is not among the sources.</exception>
    public static INamedTypeSymbol Find(CSharpCompilation compilation, string name) =>
        compilation.Assembly.GetTypeByMetadataName(name) is { } type
            ? type
            : throw new CannotEditException($"the source of {name[(name.LastIndexOfAny(['.', '+']) + 1)..]} is not part of this assembly");
}
