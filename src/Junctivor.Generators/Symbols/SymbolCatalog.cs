using Junctivor.Generators.Leaving;
using Junctivor.Graph;
using Microsoft.CodeAnalysis;

namespace Junctivor.Generators.Symbols;

/// <summary>
/// Knows each type that a wiring mentions by its <see cref="TypeRef"/>, and the other way round. One for each check, as the graph keeps
/// with a type what it finds for it. One thread at a time may use it.
/// </summary>
/// <param name="edition">Where the symbols come from.</param>
/// <param name="left">What other assemblies left behind.</param>
internal sealed class SymbolCatalog(Edition edition, LeftBehind left)
{
    private readonly Dictionary<ITypeSymbol, SymbolType> _types = new(SymbolEqualityComparer.Default);

    public Compilation Compilation => edition.First;

    public Edition Edition => edition;

    /// <summary>The types of the compilation, whether they are entered here or not.</summary>
    public SymbolTypes All { get; } = new(edition);

    public LeftBehind Left => left;

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
            ITypeSymbol plain = Erasure.Of(edition.InFirst(type), edition.First);
            if (!_types.TryGetValue(plain, out SymbolType? known))
            {
                known = new SymbolType(plain, this);
                _types.Add(plain, known);
                Names.Enter(known);
            }

            return known;
        }
    }

    /// <summary>The mark that a text or a type stands for; null for none.</summary>
    public Mark? MarkOf(object? mark) => mark switch
    {
        string text => Mark.Of(text),
        ITypeSymbol type => Mark.Of(this[type]),
        null => null,
        _ => Mark.OrNot,
    };

    /// <summary>The symbol of a type of this catalog.</summary>
    public static ITypeSymbol SymbolOf(TypeRef type) => ((SymbolType)type).Symbol;
}
