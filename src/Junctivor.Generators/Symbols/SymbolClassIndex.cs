using Junctivor.Generators.Leaving;
using Junctivor.Graph;
using Microsoft.CodeAnalysis;

namespace Junctivor.Generators.Symbols;

/// <summary>
/// Finds classes that are not registered and that implement a service, among the assemblies that a wiring mentions: for advice only. The
/// assemblies are read once, when the first advice is wanted.
/// </summary>
/// <param name="types">Where types are entered.</param>
/// <param name="closing">Closes generic classes.</param>
internal sealed class SymbolClassIndex(SymbolCatalog types, SymbolClosing closing)
{
    private static readonly string[] Frameworks = ["System", "Microsoft", "netstandard", "mscorlib", "Junctivor"];

    private Dictionary<ISymbol, List<INamedTypeSymbol>>? _bySupertype;

    /// <summary>The classes, as they would be registered: a generic one as its definition.</summary>
    public IReadOnlyList<TypeRef> Implementing(TypeRef service)
    {
        ITypeSymbol wanted = SymbolCatalog.SymbolOf(service);
        _bySupertype ??= Read(types.Assemblies.Where(assembly => !IsFramework(assembly)));
        return _bySupertype.TryGetValue(wanted.OriginalDefinition, out List<INamedTypeSymbol>? found)
            ? [.. found.Where(type => Fits(type, wanted)).Select(type => types[type])]
            : [];
    }

    /// <summary>What the compiler left behind of wirings.</summary>
    public IReadOnlyList<(string Member, string Text)> LeftWirings =>
    [
        .. types.Assemblies.Where(assembly => !IsFramework(assembly))
            .SelectMany(LeftBehind.AllOf)
            .OrderBy(left => left.Member, StringComparer.Ordinal),
    ];

    private static bool IsFramework(IAssemblySymbol assembly) => Frameworks.Contains(assembly.Name)
        || Frameworks.Take(2).Any(framework => assembly.Name.StartsWith($"{framework}.", StringComparison.Ordinal));

    private static Dictionary<ISymbol, List<INamedTypeSymbol>> Read(IEnumerable<IAssemblySymbol> assemblies)
    {
        Dictionary<ISymbol, List<INamedTypeSymbol>> bySupertype = new(SymbolEqualityComparer.Default);
        foreach (INamedTypeSymbol type in assemblies.SelectMany(assembly => AllTypes.In(assembly)).Where(IsConstructible))
        {
            foreach (ITypeSymbol supertype in SymbolType.AllSupertypes(type)
                .Select(supertype => supertype.OriginalDefinition)
                .Distinct<ITypeSymbol>(SymbolEqualityComparer.Default)
                .Where(supertype => supertype.SpecialType != SpecialType.System_Object))
            {
                if (!bySupertype.TryGetValue(supertype, out List<INamedTypeSymbol>? implementing))
                {
                    bySupertype.Add(supertype, implementing = []);
                }

                implementing.Add(type);
            }
        }

        return bySupertype;
    }

    private static bool IsConstructible(INamedTypeSymbol type) =>
        type is { TypeKind: TypeKind.Class, IsAbstract: false, IsStatic: false }
        && SymbolState.PublicConstructors(type).Any();

    /// <summary>A class that takes the service in its constructor is a decorator, and one that takes a list of it a composite: neither can
    /// be what is missing.</summary>
    private bool Fits(INamedTypeSymbol type, ITypeSymbol service)
    {
        INamedTypeSymbol? closed = type.IsGenericType ? closing.Close(type, service) : type;
        return closed is not null
            && SymbolType.AllSupertypes(closed).Contains(service, SymbolEqualityComparer.Default)
            && (type.DeclaredAccessibility != Accessibility.Private
                || SymbolEqualityComparer.Default.Equals(Outermost(type), Outermost(service)))
            && !SymbolState.PublicConstructors(type)
                .Any(constructor => constructor.Parameters
                    .Any(parameter => SymbolEqualityComparer.Default.Equals(parameter.Type.OriginalDefinition, service.OriginalDefinition)
                        || SymbolEqualityComparer.Default.Equals(ElementOf(parameter.Type), service)));
    }

    /// <summary>The element of a list or an array; null for other types.</summary>
    private static ITypeSymbol? ElementOf(ITypeSymbol type) => type switch
    {
        IArrayTypeSymbol array => array.ElementType,
        INamedTypeSymbol { IsGenericType: true } named when IsCollection(named) => named.TypeArguments[0],
        _ => null,
    };

    private static bool IsCollection(INamedTypeSymbol type) => type.ContainingNamespace.ToDisplayString() == "System.Collections.Generic";

    private static ITypeSymbol Outermost(ITypeSymbol type) => type.ContainingType is null ? type : Outermost(type.ContainingType);
}
