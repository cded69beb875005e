using Microsoft.CodeAnalysis;

namespace Junctivor.Generators.Symbols;

/// <summary>Finds the types of a compilation that correspond to those of an earlier or later state of the same project, where both declare
/// the same types and reference the same assemblies; without question marks of references.</summary>
/// <param name="to">The compilation whose types are wanted.</param>
/// <param name="undeclared">By their names, the types that are used and not declared.</param>
internal sealed class SymbolMapping(Compilation to, Dictionary<string, ITypeSymbol> undeclared)
{
    private readonly Dictionary<ITypeSymbol, ITypeSymbol> _known = new(SymbolEqualityComparer.Default);

    /// <exception cref="NotSupportedException">There is none: a type that has no name.</exception>
    public ITypeSymbol Of(ITypeSymbol type)
    {
        if (!_known.TryGetValue(type, out ITypeSymbol? mapped))
        {
            _known.Add(type, mapped = Find(type));
        }

        return mapped;
    }

    private ITypeSymbol Find(ITypeSymbol type) => type switch
    {
        IErrorTypeSymbol => Undeclared(type),
        IDynamicTypeSymbol => type,
        IArrayTypeSymbol array => to.CreateArrayTypeSymbol(Of(array.ElementType), array.Rank),
        IPointerTypeSymbol pointer => to.CreatePointerTypeSymbol(Of(pointer.PointedAtType)),
        ITypeParameterSymbol { DeclaringType: { } owner } parameter => Named(owner).TypeParameters[parameter.Ordinal],
        INamedTypeSymbol { IsUnboundGenericType: true } unbound => Named(unbound.OriginalDefinition).ConstructUnboundGenericType(),
        INamedTypeSymbol { IsTupleType: true, TupleUnderlyingType: { } plain } when !Same(plain, type) => Of(plain),
        INamedTypeSymbol named => Named(named),
        _ => throw new NotSupportedException($"{type} has no name."),
    };

    private ITypeSymbol Undeclared(ITypeSymbol type)
    {
        string name = type.ToDisplayString();
        if (!undeclared.TryGetValue(name, out ITypeSymbol? known))
        {
            undeclared.Add(name, known = type);
        }

        return known;
    }

    private INamedTypeSymbol Named(INamedTypeSymbol named)
    {
        INamedTypeSymbol definition = named.OriginalDefinition;
        if (Same(named, definition))
        {
            return Definition(definition);
        }

        INamedTypeSymbol open = named.ContainingType is { IsGenericType: true } outer && !named.IsTupleType
            ? Named(outer).GetTypeMembers(named.Name, named.Arity).First()
            : Definition(definition);
        return named.Arity == 0 ? open : open.Construct([.. named.TypeArguments.Select(Of)]);
    }

    /// <summary>A type of the project by its name; all others are the same in both compilations.</summary>
    private INamedTypeSymbol Definition(INamedTypeSymbol definition) =>
        definition.ContainingAssembly is not { } assembly || assembly.Name != to.Assembly.Name || Same(assembly, to.Assembly) ? definition
        : to.Assembly.GetTypeByMetadataName(MetadataName(definition)) is { } found && !definition.IsFileLocal ? found
        : throw new NotSupportedException($"{definition} is not found by its name.");

    private static string MetadataName(INamedTypeSymbol type) =>
        type.ContainingType is { } outer ? $"{MetadataName(outer)}+{type.MetadataName}"
        : type.ContainingNamespace is { IsGlobalNamespace: false } around ? $"{around.ToDisplayString(Plain)}.{type.MetadataName}"
        : type.MetadataName;

    private static readonly SymbolDisplayFormat Plain =
        new(typeQualificationStyle: SymbolDisplayTypeQualificationStyle.NameAndContainingTypesAndNamespaces);

    private static bool Same(ISymbol one, ISymbol other) => SymbolEqualityComparer.Default.Equals(one, other);
}
