using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.CSharp.Syntax;

namespace Junctivor.Generators.Following;

/// <summary>Finds where the source names a variable, parameter, field, property or method, and whether it assigns it.</summary>
/// <param name="compilation">The source.</param>
/// <param name="members">Reads it.</param>
/// <param name="cancellationToken">Ends it.</param>
internal sealed class SymbolUses(Compilation compilation, SourceMembers members, CancellationToken cancellationToken)
{
    private readonly Dictionary<ISymbol, IReadOnlyList<SymbolUse>> _uses = new(SymbolEqualityComparer.Default);
    private readonly Dictionary<ISymbol, Location?> _assignments = new(SymbolEqualityComparer.Default);

    /// <summary>Each place where it is named, in the order of the source.</summary>
    public IReadOnlyList<SymbolUse> Of(ISymbol symbol)
    {
        ISymbol definition = symbol.OriginalDefinition;
        if (!_uses.TryGetValue(definition, out IReadOnlyList<SymbolUse>? known))
        {
            _uses.Add(definition, known = [.. Search(definition, WhereNamed(definition))]);
        }

        return known;
    }

    /// <summary>Whether it gets another value than the first one.</summary>
    public bool IsAssigned(ISymbol symbol) => AssignmentOf(symbol) is not null;

    /// <summary>Where it gets another value than the first one, or may get one; null if it does not.</summary>
    public Location? AssignmentOf(ISymbol symbol)
    {
        ISymbol definition = symbol.OriginalDefinition;
        if (!_assignments.TryGetValue(definition, out Location? known))
        {
            IEnumerable<SymbolUse> uses = SourceMembers.IsSetInConstructorOnly(definition)
                ? Search(definition, WithinType(definition))
                : Of(definition);
            known = uses.FirstOrDefault(use => use.IsAssignment)?.Syntax.GetLocation();
            _assignments.Add(definition, known);
        }

        return known;
    }

    /// <exception cref="UnfollowableException">It gets another value than the first one.</exception>
    public void RequireUnassigned(ISymbol symbol)
    {
        if (AssignmentOf(symbol) is { } assignment)
        {
            throw Unfollowable.AnotherValue(symbol, assignment);
        }
    }

    private IEnumerable<SymbolUse> Search(ISymbol symbol, IEnumerable<SyntaxNode> roots) =>
        from root in roots
        from name in root.DescendantNodes().OfType<SimpleNameSyntax>()
        where name.Identifier.ValueText == symbol.Name && IsNamed(name, symbol)
        let use = UseOf(name)
        where use is not null
        select use;

    /// <summary>Whether a name may mean the symbol: also in source that does not compile yet.</summary>
    private bool IsNamed(SimpleNameSyntax name, ISymbol symbol)
    {
        SymbolInfo found = members.InfoOf(name);
        return found.Symbol is { } known
            ? SymbolEqualityComparer.Default.Equals(DefinitionOf(known), symbol)
            : found.CandidateSymbols.Any(each => SymbolEqualityComparer.Default.Equals(DefinitionOf(each), symbol));
    }

    private static ISymbol DefinitionOf(ISymbol symbol) =>
        symbol is IMethodSymbol { ReducedFrom: { } reduced } ? reduced.OriginalDefinition : symbol.OriginalDefinition;

    /// <summary>The name with what stands before it; null if it names a parameter of a call, and not its value.</summary>
    private SymbolUse? UseOf(SimpleNameSyntax name)
    {
        if (name.Parent is NameColonSyntax { Parent: ArgumentSyntax or AttributeArgumentSyntax })
        {
            return null;
        }

        ExpressionSyntax whole = name.Parent switch
        {
            MemberAccessExpressionSyntax access when access.Name == name => access,
            MemberBindingExpressionSyntax binding when binding.Name == name => binding,
            _ => name,
        };
        return whole.Parent is InvocationExpressionSyntax call && call.Expression == whole && members.InfoOf(name).Symbol is IMethodSymbol
            ? new SymbolUse(call, members.OperationOf(call))
            : new SymbolUse(whole, members.OperationOf(whole));
    }

    /// <summary>The parts of the source where code can name it.</summary>
    private IEnumerable<SyntaxNode> WhereNamed(ISymbol symbol)
    {
        if (symbol is ILocalSymbol or IParameterSymbol or IMethodSymbol { MethodKind: MethodKind.LocalFunction })
        {
            return [.. DeclarationsOf(symbol).SelectMany(Around)];
        }

        if (symbol.DeclaredAccessibility == Accessibility.Private && !symbol.DeclaringSyntaxReferences.IsEmpty)
        {
            return WithinType(symbol);
        }

        members.Dependencies.Add(symbol.Name);
        return compilation.SyntaxTrees.Select(tree => tree.GetRoot(cancellationToken));
    }

    /// <summary>All parts of the type that a member belongs to.</summary>
    private IEnumerable<SyntaxNode> WithinType(ISymbol member)
    {
        members.Dependencies.Add(member.Name);
        return DeclarationsOf(member.ContainingType);
    }

    /// <summary>The member that a variable or parameter belongs to; of a primary constructor, the whole type.</summary>
    private IEnumerable<SyntaxNode> Around(SyntaxNode declaration)
    {
        SyntaxNode around = declaration.Ancestors()
            .First(node => node is AccessorDeclarationSyntax or CompilationUnitSyntax
                or (MemberDeclarationSyntax and not GlobalStatementSyntax));
        return around is TypeDeclarationSyntax && members.DeclaredBy(declaration) is { } parameter ? WithinType(parameter) : [around];
    }

    private IEnumerable<SyntaxNode> DeclarationsOf(ISymbol symbol) =>
        symbol.DeclaringSyntaxReferences.Select(reference => reference.GetSyntax(cancellationToken));
}
