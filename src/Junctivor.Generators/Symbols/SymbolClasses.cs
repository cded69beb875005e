using Junctivor.Graph;
using Microsoft.CodeAnalysis;

namespace Junctivor.Generators.Symbols;

/// <summary>Reads the constructors and properties of a class, and the parameters of a factory.</summary>
/// <param name="types">Where types are entered.</param>
internal sealed class SymbolClasses(SymbolCatalog types)
{
    private const string Inject = "Junctivor.InjectAttribute";

    /// <summary>The constructors that somebody could call.</summary>
    public Constructor[] ReadConstructors(ITypeSymbol type) =>
    [
        .. ShapeOf(type).Constructors.Select(constructor => new SymbolConstructor(constructor.IsChosen, Read(constructor.Parameters))),
    ];

    public Parameter[] Read(IReadOnlyList<WrittenParameter> parameters) =>
        parameters.Count == 0 ? [] : [.. parameters.Select(Read)];

    /// <summary>The properties that are filled: those marked, and those required where the constructor does not see to them.</summary>
    public Parameter[] ReadProperties(ITypeSymbol type) => Read(ShapeOf(type).Properties);

    private ClassShape ShapeOf(ITypeSymbol type) => types.Edition.ShapeOf(type, ReadShape);

    private ClassShape ReadShape(ITypeSymbol type)
    {
        bool hasNone = type.TypeKind == TypeKind.Interface || type.IsStatic;
        IReadOnlyList<IMethodSymbol> constructors = [.. SymbolType.PublicConstructors(type)];
        bool isRequiredSeenTo = constructors is [{ } only]
            && Carries(only, "System.Diagnostics.CodeAnalysis.SetsRequiredMembersAttribute");
        return new ClassShape(
            [
                .. hasNone
                    ? []
                    : constructors.Select(constructor =>
                        (constructors.Count > 1 && Carries(constructor, Inject), ParametersOf(constructor))),
            ],
            [
                .. AllProperties(type)
                    .Where(property => (property.IsRequired && !isRequiredSeenTo) || Marks(property))
                    .Concat(UnsettableProperties(type, isRequiredSeenTo))
                    .Select(property => WrittenParameter.Of(property, types.Compilation)),
            ]);
    }

    private IReadOnlyList<WrittenParameter> ParametersOf(IMethodSymbol constructor) =>
        [.. constructor.Parameters.Select(parameter => WrittenParameter.Of(parameter, types.Compilation))];

    private Parameter Read(WrittenParameter parameter) =>
        new SymbolParameter(parameter, types[parameter.Type], types.MarkOf(parameter.Mark));

    /// <summary>Those of base classes too, which what overrides or hides them replaces.</summary>
    private static IEnumerable<IPropertySymbol> AllProperties(ITypeSymbol type)
    {
        HashSet<string> met = [];
        for (ITypeSymbol? declaring = type; declaring is not null; declaring = declaring.BaseType)
        {
            foreach (IPropertySymbol property in declaring.GetMembers().OfType<IPropertySymbol>())
            {
                if (property is { IsStatic: false, DeclaredAccessibility: Accessibility.Public }
                    && (property.IsIndexer || met.Add(property.Name)))
                {
                    yield return property;
                }
            }
        }
    }

    /// <summary>Those that nobody sets, though they are marked or required: static ones, and those that are not public.</summary>
    private static IEnumerable<IPropertySymbol> UnsettableProperties(ITypeSymbol type, bool isRequiredSeenTo)
    {
        for (ITypeSymbol? declaring = type; declaring is not null; declaring = declaring.BaseType)
        {
            foreach (IPropertySymbol property in declaring.GetMembers().OfType<IPropertySymbol>())
            {
                if ((property.IsStatic || property.DeclaredAccessibility != Accessibility.Public)
                    && (Carries(property, Inject) || (property.IsRequired && !isRequiredSeenTo)))
                {
                    yield return property;
                }
            }
        }
    }

    /// <summary>An override counts as marked where what it overrides is.</summary>
    private static bool Marks(IPropertySymbol property) =>
        Carries(property, Inject) || (property.OverriddenProperty is { } overridden && Marks(overridden));

    private static bool Carries(ISymbol symbol, string attribute) =>
        symbol.GetAttributes().Any(each => Is(each.AttributeClass, attribute));

    /// <summary>Whether an attribute is of a class or of one that derives from it.</summary>
    private static bool Is(INamedTypeSymbol? type, string attribute) =>
        type is not null && (SymbolNames.Definition(type) == attribute || Is(type.BaseType, attribute));
}
