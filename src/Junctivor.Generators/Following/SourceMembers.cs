using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.CSharp;
using Microsoft.CodeAnalysis.CSharp.Syntax;

namespace Junctivor.Generators.Following;

/// <summary>Finds what a member of the source returns, or is initialized with.</summary>
/// <param name="compilation">The source.</param>
/// <param name="cancellationToken">Ends it.</param>
internal sealed class SourceMembers(Compilation compilation, CancellationToken cancellationToken)
{
    /// <summary>Whoever writes modules within modules stays far below; whoever leads back to himself does not.</summary>
    private const int DeepestMember = 64;

    private readonly Dictionary<SyntaxTree, SemanticModel> _models = [];
    private int _depth;

    /// <summary>The files that something was read from.</summary>
    public IEnumerable<SyntaxTree> Files => _models.Keys;

    /// <summary>What a property, method, local function, field or variable gives.</summary>
    /// <param name="member">The member.</param>
    /// <param name="from">Where it is used, for what cannot be followed.</param>
    public IOperation ValueOf(ISymbol member, Location from)
    {
        if (member.DeclaringSyntaxReferences.Length == 0)
        {
            throw new UnfollowableException(
                $"{member.Name} is declared in {member.ContainingAssembly?.Name}, of which the source is not here", from);
        }

        SyntaxNode declaration = member.DeclaringSyntaxReferences[0].GetSyntax(cancellationToken);
        ExpressionSyntax? value = declaration switch
        {
            PropertyDeclarationSyntax property => property.ExpressionBody?.Expression ?? property.Initializer?.Value ?? OfGetter(property),
            MethodDeclarationSyntax method => method.ExpressionBody?.Expression ?? Returned(method.Body),
            LocalFunctionStatementSyntax function => function.ExpressionBody?.Expression ?? Returned(function.Body),
            VariableDeclaratorSyntax variable => variable.Initializer?.Value,
            _ => null,
        };
        return value is not null && OperationOf(value) is { } operation
            ? operation
            : throw new UnfollowableException($"{member.Name} does not return one expression", from);
    }

    /// <summary>What some work gives that follows a member further.</summary>
    /// <exception cref="UnfollowableException">It leads back to itself.</exception>
    public T Inside<T>(ISymbol member, Location from, Func<T> work)
    {
        if (_depth >= DeepestMember)
        {
            throw new UnfollowableException($"{member.Name} leads back to itself", from);
        }

        _depth++;
        try
        {
            return work();
        }
        finally
        {
            _depth--;
        }
    }

    /// <summary>Whether another class may put another one in its place.</summary>
    public static bool IsOverridable(ISymbol member) => member.IsAbstract || member.IsVirtual || (member.IsOverride && !member.IsSealed);

    public IOperation? OperationOf(SyntaxNode syntax) => ModelOf(syntax.SyntaxTree).GetOperation(syntax, cancellationToken);

    public ISymbol? DeclaredBy(SyntaxNode declaration) => ModelOf(declaration.SyntaxTree).GetDeclaredSymbol(declaration, cancellationToken);

    public ISymbol? SymbolOf(SyntaxNode syntax) => ModelOf(syntax.SyntaxTree).GetSymbolInfo(syntax, cancellationToken).Symbol;

    /// <summary>Whether evaluating it again gives the same object.</summary>
    public bool IsKept(ISymbol member) => member switch
    {
        IFieldSymbol or ILocalSymbol => true,
        IPropertySymbol property => property.DeclaringSyntaxReferences.Any(reference =>
            reference.GetSyntax(cancellationToken) is PropertyDeclarationSyntax { Initializer: not null }),
        _ => false,
    };

    /// <summary>Where a variable is named, in order.</summary>
    public IEnumerable<IdentifierNameSyntax> UsesOf(ILocalSymbol local)
    {
        SyntaxNode declaration = local.DeclaringSyntaxReferences[0].GetSyntax(cancellationToken);
        SyntaxNode around = declaration.Ancestors()
            .First(node => node is AccessorDeclarationSyntax or CompilationUnitSyntax
                or (MemberDeclarationSyntax and not GlobalStatementSyntax));
        return around.DescendantNodes()
            .OfType<IdentifierNameSyntax>()
            .Where(name => name.Identifier.ValueText == local.Name && SymbolEqualityComparer.Default.Equals(SymbolOf(name), local));
    }

    /// <summary>Where a member is named in the whole source.</summary>
    public IEnumerable<IdentifierNameSyntax> UsesOf(ISymbol member) =>
        from tree in compilation.SyntaxTrees
        from name in tree.GetRoot(cancellationToken).DescendantNodes().OfType<IdentifierNameSyntax>()
        where name.Identifier.ValueText == member.Name
        where SymbolEqualityComparer.Default.Equals(SymbolOf(name)?.OriginalDefinition, member.OriginalDefinition)
        select name;

    /// <summary>Whether a variable gets another value than the first.</summary>
    public bool IsReassigned(ILocalSymbol local) => UsesOf(local).Any(name =>
        name.Parent is AssignmentExpressionSyntax assignment ? assignment.Left == name
            : name.Parent is ArgumentSyntax argument && !argument.RefKindKeyword.IsKind(SyntaxKind.None));

    [System.Diagnostics.CodeAnalysis.SuppressMessage("MicrosoftCodeAnalysisPerformance", "RS1030", Justification =
        "A wiring is followed through the files of its modules.")]
    private SemanticModel ModelOf(SyntaxTree tree)
    {
        if (!_models.TryGetValue(tree, out SemanticModel? model))
        {
            _models.Add(tree, model = compilation.GetSemanticModel(tree));
        }

        return model;
    }

    private static ExpressionSyntax? OfGetter(PropertyDeclarationSyntax property) =>
        property.AccessorList?.Accessors.FirstOrDefault(accessor => accessor.IsKind(SyntaxKind.GetAccessorDeclaration)) is { } getter
            ? getter.ExpressionBody?.Expression ?? Returned(getter.Body)
            : null;

    /// <summary>What a body returns that returns in one place only, at its end.</summary>
    private static ExpressionSyntax? Returned(BlockSyntax? body) =>
        body?.Statements.LastOrDefault() is ReturnStatementSyntax last && ReturnsIn(body).SequenceEqual([last]) ? last.Expression : null;

    private static IEnumerable<ReturnStatementSyntax> ReturnsIn(BlockSyntax body) =>
        body.DescendantNodes(node => node is not (AnonymousFunctionExpressionSyntax or LocalFunctionStatementSyntax))
            .OfType<ReturnStatementSyntax>();
}
