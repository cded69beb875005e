using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.CSharp;
using Microsoft.CodeAnalysis.CSharp.Syntax;

namespace Junctivor.Fixing.Editing;

/// <summary>Where a class keeps a parameter of its constructor, and where it uses it.</summary>
internal sealed class ParameterUses
{
    private readonly CSharpCompilation _compilation;
    private readonly INamedTypeSymbol _type;
    private readonly HashSet<ISymbol> _keepers = new(SymbolEqualityComparer.Default);
    private readonly List<TypeSyntax> _declarations = [];
    private readonly List<ExpressionSyntax> _expressions = [];

    private ParameterUses(CSharpCompilation compilation, INamedTypeSymbol type)
    {
        _compilation = compilation;
        _type = type;
    }

    /// <summary>The types of the fields and properties that keep it.</summary>
    public IReadOnlyList<TypeSyntax> Declarations => _declarations;

    /// <summary>Each use: a name, or a member access that ends with it.</summary>
    public IReadOnlyList<ExpressionSyntax> Expressions => _expressions;

    /// <exception cref="CannotEditException">It is kept where nobody can follow it.</exception>
    public static ParameterUses Of(CSharpCompilation compilation, INamedTypeSymbol type, IParameterSymbol parameter)
    {
        ParameterUses uses = new(compilation, type);
        uses._keepers.Add(parameter);
        foreach (IPropertySymbol property in type.GetMembers(parameter.Name).OfType<IPropertySymbol>())
        {
            if (property.DeclaringSyntaxReferences.FirstOrDefault()?.GetSyntax() is ParameterSyntax)
            {
                uses._keepers.Add(property);
            }
        }

        foreach (ExpressionSyntax kept in uses.Occurrences().ToList())
        {
            uses.FollowTo(kept);
        }

        uses._expressions.AddRange(uses.Occurrences().Where(use => !uses.IsKeeping(use)));
        return uses;
    }

    public SemanticModel ModelOf(SyntaxNode node) => _compilation.GetSemanticModel(node.SyntaxTree);

    private IEnumerable<ExpressionSyntax> Occurrences() =>
        from reference in _type.DeclaringSyntaxReferences
        let syntax = reference.GetSyntax()
        from name in syntax.DescendantNodes().OfType<IdentifierNameSyntax>()
        where _keepers.Any(keeper => keeper.Name == name.Identifier.ValueText)
            && ModelOf(name).GetSymbolInfo(name).Symbol is { } symbol
            && _keepers.Contains(symbol)
            && !IsOnlyNamed(name)
        select name.Parent is MemberAccessExpressionSyntax access && access.Name == name ? (ExpressionSyntax)access : name;

    /// <summary>Within <c>nameof</c>, or where only null is looked for.</summary>
    private static bool IsOnlyNamed(IdentifierNameSyntax name) =>
        name.FirstAncestorOrSelf<InvocationExpressionSyntax>() is { } call
        && (call.Expression.ToString() is "nameof" || call.Expression.ToString().EndsWith("ThrowIfNull", StringComparison.Ordinal))
        && call.ArgumentList.Span.Contains(name.Span);

    /// <summary>Adds the field or property that an expression is assigned to.</summary>
    private void FollowTo(ExpressionSyntax use)
    {
        ExpressionSyntax value = ValueOf(use);
        ISymbol? keeper = value.Parent switch
        {
            ArgumentSyntax when TargetInTuple(value) is { } target => ModelOf(value).GetSymbolInfo(target).Symbol,
            AssignmentExpressionSyntax assignment when assignment.Right == value => ModelOf(value).GetSymbolInfo(assignment.Left).Symbol,
            EqualsValueClauseSyntax { Parent: VariableDeclaratorSyntax { Parent.Parent: FieldDeclarationSyntax } field } =>
                ModelOf(value).GetDeclaredSymbol(field),
            EqualsValueClauseSyntax { Parent: PropertyDeclarationSyntax property } => ModelOf(value).GetDeclaredSymbol(property),
            _ => null,
        };
        if (keeper is null or { Kind: not (SymbolKind.Field or SymbolKind.Property) } || !IsAtConstruction(use) || !_keepers.Add(keeper))
        {
            return;
        }

        ITypeSymbol kept = (keeper as IFieldSymbol)?.Type ?? ((IPropertySymbol)keeper).Type;
        if (!SymbolEqualityComparer.Default.Equals(kept, ModelOf(use).GetTypeInfo(use).Type))
        {
            throw new CannotEditException(
                $"{keeper.Name} keeps {use} as {kept.ToDisplayString(SymbolDisplayFormat.MinimallyQualifiedFormat)}");
        }

        _declarations.Add(keeper.DeclaringSyntaxReferences.FirstOrDefault()?.GetSyntax() switch
        {
            VariableDeclaratorSyntax { Parent: VariableDeclarationSyntax { Variables.Count: 1 } declaration } => declaration.Type,
            PropertyDeclarationSyntax property => property.Type,
            _ => throw new CannotEditException($"{keeper.Name} is declared together with others"),
        });
    }

    /// <summary>Whether it runs once, with the constructor: later, something else than a field is meant.</summary>
    private static bool IsAtConstruction(ExpressionSyntax use) =>
        use.FirstAncestorOrSelf<MemberDeclarationSyntax>() is ConstructorDeclarationSyntax or BaseFieldDeclarationSyntax
            or PropertyDeclarationSyntax { Initializer: not null };

    /// <summary>Whether it only puts the parameter into what keeps it.</summary>
    private bool IsKeeping(ExpressionSyntax use)
    {
        if (use.Parent is AssignmentExpressionSyntax target && target.Left == use)
        {
            return IsKeeper(Unguarded(target.Right)) ? true
                : throw new CannotEditException($"{use} is assigned something else than the parameter");
        }

        if (use.Parent is ArgumentSyntax { Parent: TupleExpressionSyntax tuple }
            && tuple.Parent is AssignmentExpressionSyntax all
            && all.Left == tuple)
        {
            return true;
        }

        ExpressionSyntax value = ValueOf(use);
        return value.Parent switch
        {
            ArgumentSyntax when TargetInTuple(value) is { } kept => IsKeeper(kept),
            AssignmentExpressionSyntax assignment when assignment.Right == value => IsKeeper(assignment.Left),
            EqualsValueClauseSyntax { Parent: VariableDeclaratorSyntax { Parent.Parent: FieldDeclarationSyntax } } => true,
            EqualsValueClauseSyntax { Parent: PropertyDeclarationSyntax } => true,
            _ => false,
        };
    }

    /// <summary>What a value is assigned to in <c>(_a, _b) = (a, b)</c>.</summary>
    private static ExpressionSyntax? TargetInTuple(ExpressionSyntax value) =>
        value.Parent is ArgumentSyntax { Parent: TupleExpressionSyntax values } argument
        && values.Parent is AssignmentExpressionSyntax { Left: TupleExpressionSyntax targets } assignment
        && assignment.Right == values
        && targets.Arguments.Count == values.Arguments.Count
            ? targets.Arguments[values.Arguments.IndexOf(argument)].Expression
            : null;

    private bool IsKeeper(ExpressionSyntax expression) =>
        ModelOf(expression).GetSymbolInfo(expression).Symbol is { } symbol && _keepers.Contains(symbol);

    /// <summary>What is assigned, where <c>?? throw</c> stands behind it.</summary>
    private static ExpressionSyntax ValueOf(ExpressionSyntax use) =>
        use.Parent is BinaryExpressionSyntax { RawKind: (int)SyntaxKind.CoalesceExpression, Right: ThrowExpressionSyntax } guarded
        && guarded.Left == use
            ? guarded
            : use;

    private static ExpressionSyntax Unguarded(ExpressionSyntax value) =>
        value is BinaryExpressionSyntax { RawKind: (int)SyntaxKind.CoalesceExpression, Right: ThrowExpressionSyntax } guarded
            ? guarded.Left
            : value;
}
