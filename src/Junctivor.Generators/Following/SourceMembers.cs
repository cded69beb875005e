using Junctivor.Generators.Leaving;
using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.CSharp;
using Microsoft.CodeAnalysis.CSharp.Syntax;
using Microsoft.CodeAnalysis.Operations;

namespace Junctivor.Generators.Following;

/// <summary>Finds what a member of the source returns, or is initialized with.</summary>
/// <param name="models">The source.</param>
/// <param name="cancellationToken">Ends it.</param>
internal sealed class SourceMembers(SourceModels models, CancellationToken cancellationToken)
{
    /// <summary>Whoever writes modules within modules stays far below; whoever leads back to himself does not.</summary>
    private const int DeepestMember = 64;

    private readonly Compilation _compilation = models.Compilation;
    private SymbolUses? _uses;
    private int _depth;

    public SourceModels Models => models;

    /// <summary>What was read.</summary>
    public SourceDependencies Dependencies { get; } = new();

    /// <summary>Where the source names things.</summary>
    public SymbolUses Uses => _uses ??= new SymbolUses(_compilation, this, cancellationToken);

    /// <summary>What a property, method, local function, field or variable gives.</summary>
    /// <param name="member">The member.</param>
    /// <param name="from">Where it is used, for what cannot be followed.</param>
    /// <exception cref="UnfollowableException">It is not declared here, may get another value, or returns in several places.</exception>
    public IOperation ValueOf(ISymbol member, Location from)
    {
        if (!IsHere(member))
        {
            if (member is IFieldSymbol { AssociatedSymbol: IPropertySymbol property })
            {
                throw new UnfollowableException(
                    $"the accessor of {property.Name} uses 'field', which is followed in no property",
                    from,
                    cure: "Declare a field for it");
            }

            throw Unfollowable.OfOtherProject(member, LeftBehind.IsIn(member.ContainingAssembly), from);
        }

        RequireOneValue(member, from);
        SyntaxNode declaration = Implemented(member).DeclaringSyntaxReferences[0].GetSyntax(cancellationToken);
        ExpressionSyntax? value = declaration switch
        {
            PropertyDeclarationSyntax declared => declared.ExpressionBody?.Expression ?? OfGetter(declared) ?? InitialOf(declared),
            MethodDeclarationSyntax method => method.ExpressionBody?.Expression ?? Returned(method.Body),
            LocalFunctionStatementSyntax function => function.ExpressionBody?.Expression ?? Returned(function.Body),
            VariableDeclaratorSyntax variable => variable.Initializer?.Value,
            _ => null,
        };
        return value is not null && OperationOf(value) is { } operation
            ? operation
            : throw new UnfollowableException($"{member.Name} does not return one expression", from);
    }

    /// <summary>The parameter of a record that a property gives; null for another member.</summary>
    public IParameterSymbol? PositionalParameterOf(ISymbol member) =>
        member is IPropertySymbol { SetMethod: null or { IsInitOnly: true } }
        && IsHere(member)
        && member.DeclaringSyntaxReferences[0].GetSyntax(cancellationToken) is ParameterSyntax parameter
            ? DeclaredBy(parameter) as IParameterSymbol
            : null;

    /// <summary>The initial value of a variable or field; null if it has none, or is not declared here.</summary>
    public IOperation? InitialValueOf(ISymbol variable) =>
        IsHere(variable)
        && variable.DeclaringSyntaxReferences[0].GetSyntax(cancellationToken) switch
        {
            VariableDeclaratorSyntax declared => declared.Initializer?.Value,
            PropertyDeclarationSyntax property => InitialOf(property),
            _ => null,
        } is { } value
        && value is not RefExpressionSyntax
            ? OperationOf(value)
            : null;

    /// <summary>The static constructor that completes a static field or property that no other code assigns; null if there is
    /// none.</summary>
    public IMethodSymbol? StaticConstructorOf(ISymbol member) =>
        member is { IsStatic: true, ContainingType.IsGenericType: false }
            and (IFieldSymbol { IsReadOnly: true } or IPropertySymbol { SetMethod: null })
        && IsHere(member)
        && member.ContainingType.StaticConstructors.FirstOrDefault(each => !each.IsImplicitlyDeclared) is { } constructor
        && Uses.Of(member).Any(use => Functions.IsSame(Functions.FunctionAround(use.Syntax), DeclarationOf(constructor)))
            ? constructor
            : null;

    /// <summary>The statements of a method, property or local function; of one that is an expression, that alone. Null if it has none
    /// here.</summary>
    public IReadOnlyList<IOperation>? StatementsOf(ISymbol member)
    {
        ISymbol definition = Implemented(member.OriginalDefinition);
        return IsHere(definition)
            ? BodyOf(definition.DeclaringSyntaxReferences[0].GetSyntax(cancellationToken)) switch
            {
                null => null,
                SyntaxNode body => OperationOf(body) switch
                {
                    IBlockOperation block => block.Operations,
                    { } expression => [expression],
                    null => null,
                },
            }
            : null;
    }

    private static SyntaxNode? BodyOf(SyntaxNode declaration) => declaration switch
    {
        BaseMethodDeclarationSyntax method => (SyntaxNode?)method.Body ?? method.ExpressionBody,
        LocalFunctionStatementSyntax function => (SyntaxNode?)function.Body ?? function.ExpressionBody,
        PropertyDeclarationSyntax { ExpressionBody: { } expression } => expression,
        PropertyDeclarationSyntax property => GetterOf(property) is { } getter ? (SyntaxNode?)getter.Body ?? getter.ExpressionBody : null,
        _ => null,
    };

    private static AccessorDeclarationSyntax? GetterOf(PropertyDeclarationSyntax property) =>
        property.AccessorList?.Accessors.FirstOrDefault(accessor => accessor.IsKind(SyntaxKind.GetAccessorDeclaration));

    /// <summary>The part of a partial member that has a body.</summary>
    private static ISymbol Implemented(ISymbol member) => member switch
    {
        IMethodSymbol { PartialImplementationPart: { } implementation } => implementation,
        IPropertySymbol { PartialImplementationPart: { } implementation } => implementation,
        _ => member,
    };

    /// <summary>Whether a member is declared in this source: an editor has the source of other projects, too, and that is not read
    /// here.</summary>
    public bool IsHere(ISymbol member) =>
        !member.DeclaringSyntaxReferences.IsEmpty
        && SymbolEqualityComparer.Default.Equals(member.ContainingAssembly, _compilation.Assembly);

    /// <summary>What is kept must have the value that it is declared with.</summary>
    private void RequireOneValue(ISymbol member, Location from)
    {
        if (!IsKept(member))
        {
            return;
        }

        if (member is IFieldSymbol { IsReadOnly: false, IsConst: false })
        {
            throw Unfollowable.NotReadOnly(member, from);
        }

        if (member is IPropertySymbol { SetMethod: not null })
        {
            throw Unfollowable.HasSetter(member, from);
        }

        Uses.RequireUnassigned(member);
    }

    /// <summary>What some work gives that follows a member further.</summary>
    /// <exception cref="UnfollowableException">It leads back to itself.</exception>
    public T Inside<T>(ISymbol member, Location from, Func<T> work)
    {
        if (_depth >= DeepestMember)
        {
            throw Unfollowable.LeadsBack(member, from);
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

    /// <summary>What an expression does; null if the compiler does not tell.</summary>
    public IOperation? OperationOf(SyntaxNode syntax) => syntax switch
    {
        ParenthesizedExpressionSyntax parenthesized => OperationOf(parenthesized.Expression),
        PostfixUnaryExpressionSyntax { RawKind: (int)SyntaxKind.SuppressNullableWarningExpression } forgiven =>
            OperationOf(forgiven.Operand),
        _ => ModelOf(syntax.SyntaxTree).GetOperation(syntax, cancellationToken),
    };

    public ISymbol? DeclaredBy(SyntaxNode declaration) => ModelOf(declaration.SyntaxTree).GetDeclaredSymbol(declaration, cancellationToken);

    /// <summary>What is known of a name.</summary>
    public SymbolInfo InfoOf(SyntaxNode syntax) => ModelOf(syntax.SyntaxTree).GetSymbolInfo(syntax, cancellationToken);

    /// <summary>The first declaration of a member; null if it is not declared here.</summary>
    public SyntaxNode? DeclarationOf(ISymbol member) =>
        IsHere(member) ? Implemented(member).DeclaringSyntaxReferences[0].GetSyntax(cancellationToken) : null;

    /// <summary>Whether evaluating it again gives the same object.</summary>
    public bool IsKept(ISymbol member) => member switch
    {
        IFieldSymbol or ILocalSymbol => true,
        IPropertySymbol property => property.DeclaringSyntaxReferences.Any(reference =>
            reference.GetSyntax(cancellationToken) is PropertyDeclarationSyntax declaration && InitialOf(declaration) is not null),
        _ => false,
    };

    /// <summary>Whether only a constructor can give it another value.</summary>
    public static bool IsSetInConstructorOnly(ISymbol member) =>
        member is IFieldSymbol { IsReadOnly: true } or IPropertySymbol { SetMethod: null };

    private SemanticModel ModelOf(SyntaxTree tree)
    {
        Dependencies.Add(tree);
        return models.Of(tree);
    }

    /// <summary>The initial value of a property that returns it as it is.</summary>
    private static ExpressionSyntax? InitialOf(PropertyDeclarationSyntax property) =>
        property is { Initializer.Value: { } value, AccessorList.Accessors: var accessors }
        && accessors.All(accessor => accessor is { Body: null, ExpressionBody: null })
            ? value
            : null;

    private static ExpressionSyntax? OfGetter(PropertyDeclarationSyntax property) =>
        GetterOf(property) is { } getter
            ? getter.ExpressionBody?.Expression ?? Returned(getter.Body)
            : null;

    /// <summary>What a body returns that returns in one place only, at its end.</summary>
    private static ExpressionSyntax? Returned(BlockSyntax? body) =>
        body?.Statements.LastOrDefault() is ReturnStatementSyntax last && ReturnsIn(body).SequenceEqual([last]) ? last.Expression : null;

    private static IEnumerable<ReturnStatementSyntax> ReturnsIn(BlockSyntax body) =>
        body.DescendantNodes(node => node is not (AnonymousFunctionExpressionSyntax or LocalFunctionStatementSyntax))
            .OfType<ReturnStatementSyntax>();
}
