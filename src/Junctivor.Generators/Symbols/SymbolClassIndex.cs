using Junctivor.Generators.Leaving;
using Junctivor.Graph;
using Microsoft.CodeAnalysis;

namespace Junctivor.Generators.Symbols;

/// <summary>Finds classes that are not registered and implement a service, in the assemblies that a wiring mentions: only for
/// advice.</summary>
internal sealed class SymbolClassIndex
{
    private readonly SymbolCatalog _types;
    private readonly ClassSearch<ITypeSymbol> _search;

    /// <param name="types">Where types are entered.</param>
    public SymbolClassIndex(SymbolCatalog types)
    {
        _types = types;
        _search = new ClassSearch<ITypeSymbol>(
            types.All, () => Assemblies.SelectMany(assembly => AllTypes.In(assembly)).Where(IsConstructible));
    }

    /// <summary>The classes, as they would be registered: a generic one as its definition.</summary>
    public IReadOnlyList<TypeRef> Implementing(TypeRef service) =>
        [.. _search.Implementing(SymbolCatalog.SymbolOf(service)).Select(type => _types[type])];

    /// <summary>What the compiler left behind of wirings.</summary>
    public IReadOnlyList<(string Member, string Text)> LeftWirings =>
        [.. Assemblies.Select(Latest).SelectMany(LeftBehind.AllOf).OrderBy(left => left.Member, StringComparer.Ordinal)];

    private IAssemblySymbol Latest(IAssemblySymbol assembly) =>
        SymbolEqualityComparer.Default.Equals(assembly, _types.Edition.First.Assembly) ? _types.Edition.Current.Assembly : assembly;

    private IEnumerable<IAssemblySymbol> Assemblies =>
        _types.Assemblies.Where(assembly => !ClassSearch<ITypeSymbol>.IsFramework(assembly.Name));

    private bool IsConstructible(INamedTypeSymbol type) =>
        type is { TypeKind: TypeKind.Class, IsAbstract: false, IsStatic: false }
        && SymbolType.PublicConstructors(_types.Edition.WithMembers(type)).Any();
}
