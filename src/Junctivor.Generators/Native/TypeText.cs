using Junctivor.Generators.Symbols;
using Microsoft.CodeAnalysis;

namespace Junctivor.Generators.Native;

/// <summary>Writes types for generated code: by their names where these can be written, and by texts where they are private.</summary>
/// <param name="compilation">The source.</param>
internal sealed class TypeText(Compilation compilation)
{
    /// <summary>The type as an expression; null if there is none.</summary>
    public string? Expression(ITypeSymbol type) =>
        Named(type) is { } name ? $"typeof({name})"
        : InMetadata(type) is { } text ? $"global::System.Type.GetType(\"{text}\")"
        : null;

    /// <summary>The name in C#; null if code of this assembly cannot write it.</summary>
    public string? Named(ITypeSymbol type) =>
        CanBeNamed(type) ? type.ToDisplayString(SymbolDisplayFormat.FullyQualifiedFormat) : null;

    /// <summary>The name in metadata with the assembly; null if it has none.</summary>
    public static string? InMetadata(ITypeSymbol type) =>
        WithoutAssembly(type) is { } name && AssemblyOf(type) is { } assembly ? $"{name}, {assembly.Name}" : null;

    private static IAssemblySymbol? AssemblyOf(ITypeSymbol type) =>
        type is IArrayTypeSymbol array ? AssemblyOf(array.ElementType) : type.ContainingAssembly;

    private static string? WithoutAssembly(ITypeSymbol type)
    {
        if (type is IArrayTypeSymbol { IsSZArray: true } array)
        {
            return WithoutAssembly(array.ElementType) is { } element ? element + "[]" : null;
        }

        if (type is not INamedTypeSymbol named)
        {
            return null;
        }

        IReadOnlyList<string?> arguments = [.. SymbolType.AllArguments(named).Select(InMetadata)];
        string name = SymbolNames.Definition(named.OriginalDefinition);
        return arguments.Contains(null) ? null
            : arguments.Count == 0 ? name
            : $"{name}[{string.Join(", ", arguments.Select(argument => $"[{argument}]"))}]";
    }

    private bool CanBeNamed(ITypeSymbol type) => type switch
    {
        IArrayTypeSymbol array => CanBeNamed(array.ElementType),
        INamedTypeSymbol named => CanBeNamed(named),
        _ => false,
    };

    private bool CanBeNamed(INamedTypeSymbol type) =>
        type is { IsAnonymousType: false, IsFileLocal: false }
        && compilation.IsSymbolAccessibleWithin(type.OriginalDefinition, compilation.Assembly)
        && !IsObsolete(type)
        && IsTheOnly(type.OriginalDefinition)
        && type.TypeArguments.All(CanBeNamed)
        && (type.ContainingType is not { } outer || CanBeNamed(outer));

    /// <summary>A name that two assemblies have, or that one has under an alias only, cannot be written.</summary>
    private bool IsTheOnly(INamedTypeSymbol definition) =>
        SymbolEqualityComparer.Default.Equals(compilation.GetTypeByMetadataName(SymbolNames.Definition(definition)), definition)
        && (compilation.GetMetadataReference(definition.ContainingAssembly)?.Properties.Aliases is not { IsEmpty: false } aliases
            || aliases.Contains(MetadataReferenceProperties.GlobalAlias));

    private static bool IsObsolete(ISymbol symbol) => symbol.GetAttributes().Any(
        attribute => attribute.AttributeClass is { } type && SymbolNames.Definition(type) == "System.ObsoleteAttribute");

    /// <summary>Whether code of this assembly can call a constructor as C# does.</summary>
    public bool CanBeCalled(IMethodSymbol constructor) =>
        CanBeNamed(constructor.ContainingType)
        && constructor.Parameters.All(parameter => CanBeNamed(parameter.Type))
        && !IsObsolete(constructor)
        && (SetsRequired(constructor) || !HasRequired(constructor.ContainingType));

    private static bool SetsRequired(IMethodSymbol constructor) => constructor.GetAttributes().Any(
        attribute => attribute.AttributeClass?.Name == "SetsRequiredMembersAttribute");

    private static bool HasRequired(INamedTypeSymbol type)
    {
        for (INamedTypeSymbol? each = type; each is not null; each = each.BaseType)
        {
            if (each.GetMembers().Any(member => member is IPropertySymbol { IsRequired: true } or IFieldSymbol { IsRequired: true }))
            {
                return true;
            }
        }

        return false;
    }
}
