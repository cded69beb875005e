using Microsoft.CodeAnalysis;

namespace Junctivor.Generators.Symbols;

/// <summary>Writes types as C# does, in the very form in which the library writes them at run time.</summary>
internal static class SymbolNames
{
    /// <summary>
    /// The name without namespaces, such as <c>IArchive&lt;Vessel&gt;</c> or <c>Booking.Handler</c>; of a private class only its
    /// own name, as nobody outside the class around it can write more.
    /// </summary>
    public static string Short(ITypeSymbol type) => Write(type, Short, isQualified: false);

    /// <summary>The name with namespace and declaring types.</summary>
    public static string Qualified(ITypeSymbol type) => Write(type, Qualified, isQualified: true);

    /// <summary>The name without anything around it, and without type arguments.</summary>
    public static string Own(ITypeSymbol type) => Keyword(type) ?? type switch
    {
        IArrayTypeSymbol array => Own(array.ElementType) + "[]",
        _ => type.Name,
    };

    /// <summary>The name of the generic definition in metadata; <c>[]</c> for an array.</summary>
    public static string Definition(ITypeSymbol type) => type switch
    {
        IArrayTypeSymbol { IsSZArray: true } => "[]",
        INamedTypeSymbol named => InMetadata(named),
        _ => type.Name,
    };

    private static string InMetadata(INamedTypeSymbol type) => type.ContainingType is { } outer
        ? $"{InMetadata(outer)}+{type.MetadataName}"
        : InNamespace(type, type.MetadataName);

    private static string InNamespace(INamedTypeSymbol type, string name) =>
        type.ContainingNamespace is { IsGlobalNamespace: false } around ? $"{around.ToDisplayString()}.{name}" : name;

    private static string Write(ITypeSymbol type, Func<ITypeSymbol, string> argument, bool isQualified) => Keyword(type) ?? type switch
    {
        IArrayTypeSymbol array => WriteArray(array, argument),
        IPointerTypeSymbol pointer => argument(pointer.PointedAtType) + "*",
        INamedTypeSymbol { ConstructedFrom.SpecialType: SpecialType.System_Nullable_T } nullable when !IsDefinition(nullable) =>
            $"{argument(nullable.TypeArguments[0])}?",
        INamedTypeSymbol { IsTupleType: true, TupleElements.Length: > 1 } tuple when !IsDefinition(tuple) =>
            $"({string.Join(", ", tuple.TupleElements.Select(element => argument(element.Type)))})",
        INamedTypeSymbol named => WriteNamed(named, argument, isQualified),
        _ => type.Name,
    };

    private static bool IsDefinition(ITypeSymbol type) => SymbolEqualityComparer.Default.Equals(type, type.OriginalDefinition);

    /// <summary>C# writes the outermost brackets first: an array of matrices is <c>int[][,]</c>.</summary>
    private static string WriteArray(IArrayTypeSymbol array, Func<ITypeSymbol, string> argument)
    {
        string brackets = "";
        ITypeSymbol type = array;
        for (; type is IArrayTypeSymbol inner; type = inner.ElementType)
        {
            brackets += $"[{new string(',', inner.Rank - 1)}]";
        }

        return argument(type) + brackets;
    }

    private static string WriteNamed(INamedTypeSymbol type, Func<ITypeSymbol, string> argument, bool isQualified)
    {
        List<string> parts = [];
        for (INamedTypeSymbol? current = type; current is not null; current = IsShown(current, isQualified) ? current.ContainingType : null)
        {
            string own = current.Arity > 0 ? $"<{string.Join(", ", current.TypeArguments.Select(argument))}>" : "";
            parts.Insert(0, current.Name + own);
        }

        string name = string.Join(".", parts);
        return isQualified ? InNamespace(type, name) : name;
    }

    private static bool IsShown(INamedTypeSymbol type, bool isQualified) =>
        isQualified || type.DeclaredAccessibility != Accessibility.Private;

    private static string? Keyword(ITypeSymbol type) => type.SpecialType switch
    {
        SpecialType.System_Boolean => "bool",
        SpecialType.System_Byte => "byte",
        SpecialType.System_Char => "char",
        SpecialType.System_Decimal => "decimal",
        SpecialType.System_Double => "double",
        SpecialType.System_Single => "float",
        SpecialType.System_Int32 => "int",
        SpecialType.System_Int64 => "long",
        SpecialType.System_IntPtr => "nint",
        SpecialType.System_UIntPtr => "nuint",
        SpecialType.System_Object => "object",
        SpecialType.System_SByte => "sbyte",
        SpecialType.System_Int16 => "short",
        SpecialType.System_String => "string",
        SpecialType.System_UInt32 => "uint",
        SpecialType.System_UInt64 => "ulong",
        SpecialType.System_UInt16 => "ushort",
        _ => null,
    };
}
