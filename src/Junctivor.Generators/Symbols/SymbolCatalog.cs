using Junctivor.Graph;
using Microsoft.CodeAnalysis;

namespace Junctivor.Generators.Symbols;

/// <summary>
/// Knows each type that a wiring mentions by its <see cref="TypeRef"/>, and the other way round. One for each check, as the graph keeps
/// with a type what it finds for it. One thread at a time may use it.
/// </summary>
/// <param name="compilation">Where the symbols come from.</param>
internal sealed class SymbolCatalog(Compilation compilation)
{
    private readonly Dictionary<ITypeSymbol, SymbolType> _types = new(SymbolEqualityComparer.Default);

    public Compilation Compilation => compilation;

    /// <summary>Which short names are borne by several.</summary>
    public NameCounts Names { get; } = new();

    /// <summary>The assemblies of all types that the wiring mentions.</summary>
    public IReadOnlyCollection<IAssemblySymbol> Assemblies =>
    [
        .. _types.Keys.Select(type => type.ContainingAssembly)
            .OfType<IAssemblySymbol>()
            .Distinct<IAssemblySymbol>(SymbolEqualityComparer.Default),
    ];

    public SymbolType this[ITypeSymbol type]
    {
        get
        {
            ITypeSymbol plain = Erasure.Of(type, compilation);
            if (!_types.TryGetValue(plain, out SymbolType? known))
            {
                known = new SymbolType(plain, this);
                _types.Add(plain, known);
                Names.Enter(known);
            }

            return known;
        }
    }

    /// <summary>The symbol of a type of this catalog.</summary>
    public static ITypeSymbol SymbolOf(TypeRef type) => ((SymbolType)type).Symbol;

    /// <summary>The type of a name in metadata; null where no reference has it.</summary>
    public ITypeSymbol? Find(string metadataName) => compilation.GetTypeByMetadataName(metadataName);
}
