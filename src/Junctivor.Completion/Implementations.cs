using Junctivor.Generators.Symbols;
using Junctivor.Graph;
using Microsoft.CodeAnalysis;

namespace Junctivor.Completion;

/// <summary>Finds the classes that could be registered for a service.</summary>
internal static class Implementations
{
    /// <summary>The classes that implement it and can be named here; a generic one closed over what fits, where that is known.</summary>
    /// <param name="service">The service.</param>
    /// <param name="takesService">Whether classes are wanted that take the service in a constructor, as decorators do.</param>
    /// <param name="compilation">The source.</param>
    public static IEnumerable<ITypeSymbol> Of(ITypeSymbol service, bool takesService, Compilation compilation)
    {
        SymbolTypes types = new(Edition.Of(compilation));
        IEnumerable<ITypeSymbol> classes = Assemblies(service, compilation).SelectMany(AllTypes.In)
            .Where(type => type is { TypeKind: TypeKind.Class, IsAbstract: false, IsStatic: false, IsImplicitlyDeclared: false })
            .Where(type => compilation.IsSymbolAccessibleWithin(type, compilation.Assembly))
            .Where(type => SymbolType.PublicConstructors(type).Any());
        IEnumerable<ITypeSymbol> found = takesService
            ? classes.Select(type => Closed(type, service, types)).OfType<ITypeSymbol>()
                .Where(type => types.SupertypesOf(type).Contains(service, types.Comparer)
                    && types.ConstructorParametersOf(type).Contains(service, types.Comparer))
            : new ClassSearch<ITypeSymbol>(types, () => classes).Implementing(service)
                .Select(type => Closed(type, service, types)).OfType<ITypeSymbol>();
        return found.OrderBy(type => type.Name, StringComparer.Ordinal);
    }

    private static ITypeSymbol? Closed(ITypeSymbol type, ITypeSymbol service, SymbolTypes types) =>
        SymbolType.IsOpenType(type) ? types.Close(type, service) : type;

    /// <summary>Only an assembly that references the service can implement it.</summary>
    private static IEnumerable<IAssemblySymbol> Assemblies(ITypeSymbol service, Compilation compilation) =>
        compilation.SourceModule.ReferencedAssemblySymbols
            .Where(assembly => !ClassSearch<ITypeSymbol>.IsFramework(assembly.Name))
            .Where(assembly => SymbolEqualityComparer.Default.Equals(assembly, service.ContainingAssembly)
                || assembly.Modules.Any(module => module.ReferencedAssemblySymbols.Contains(
                    service.ContainingAssembly, SymbolEqualityComparer.Default)))
            .Prepend(compilation.Assembly);
}
