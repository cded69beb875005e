using Microsoft.CodeAnalysis;

namespace Junctivor.Generators.Symbols;

/// <summary>
/// A later state of a project in which the same types are declared. What was read of the earlier state stays; of the types in files that
/// have changed the members are read from the later one. Types are always those of the earlier state. One thread at a time may use it.
/// </summary>
internal sealed class Edition
{
    private readonly SymbolMapping? _back;
    private readonly SymbolMapping? _forth;
    private readonly HashSet<SyntaxTree> _changed;
    private readonly Dictionary<ITypeSymbol, ClassShape> _shapes;
    private readonly Dictionary<string, ITypeSymbol> _undeclared;
    private readonly Dictionary<INamedTypeSymbol, bool> _isChanged = new(SymbolEqualityComparer.Default);

    private Edition(Compilation first)
    {
        _shapes = new Dictionary<ITypeSymbol, ClassShape>(SymbolEqualityComparer.Default);
        _undeclared = [];
        _changed = [];
        First = first;
        Current = first;
    }

    private Edition(Edition before, Compilation current, IEnumerable<SyntaxTree> changed)
    {
        _shapes = before._shapes;
        _undeclared = before._undeclared;
        _changed = [.. changed];
        First = before.First;
        Current = current;
        _back = new SymbolMapping(First, _undeclared);
        _forth = new SymbolMapping(current, _undeclared);
    }

    /// <summary>The compilation that types are of.</summary>
    public Compilation First { get; }

    /// <summary>The compilation that is checked.</summary>
    public Compilation Current { get; }

    /// <summary>A project that has not changed.</summary>
    public static Edition Of(Compilation compilation) => new(compilation);

    /// <summary>A later state.</summary>
    /// <param name="current">The later state.</param>
    /// <param name="changed">The files of the earlier state that have changed since.</param>
    public Edition After(Compilation current, IEnumerable<SyntaxTree> changed) => new(this, current, changed);

    /// <summary>The type as the earlier state has it.</summary>
    /// <exception cref="NotSupportedException">There is none.</exception>
    public ITypeSymbol InFirst(ITypeSymbol type) => _back is null ? type : _back.Of(type);

    /// <summary>The type as the later state has it, if its members may differ; otherwise as the earlier state has it.</summary>
    /// <exception cref="NotSupportedException">There is none.</exception>
    public ITypeSymbol WithMembers(ITypeSymbol type) =>
        _forth is null ? type
        : InFirst(type) is var first && first is INamedTypeSymbol named && IsChanged(named.OriginalDefinition) ? _forth.Of(named)
        : first;

    /// <summary>What a class takes, read once of a class that has not changed.</summary>
    /// <param name="type">The class.</param>
    /// <param name="read">Reads it.</param>
    public ClassShape ShapeOf(ITypeSymbol type, Func<ITypeSymbol, ClassShape> read)
    {
        ITypeSymbol first = InFirst(type);
        ITypeSymbol current = WithMembers(first);
        if (!ReferenceEquals(first, current))
        {
            return read(current);
        }

        if (!_shapes.TryGetValue(first, out ClassShape? known))
        {
            _shapes.Add(first, known = read(first));
        }

        return known;
    }

    /// <summary>Whether it, or a class that it derives from, is declared in a file that has changed.</summary>
    private bool IsChanged(INamedTypeSymbol type)
    {
        if (!_isChanged.TryGetValue(type, out bool known))
        {
            known = type.DeclaringSyntaxReferences.Any(reference => _changed.Contains(reference.SyntaxTree))
                || (type.BaseType is { } parent && IsChanged(parent.OriginalDefinition));
            _isChanged.Add(type, known);
        }

        return known;
    }
}
