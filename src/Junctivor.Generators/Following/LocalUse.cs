using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.CSharp.Syntax;
using Microsoft.CodeAnalysis.Operations;

namespace Junctivor.Generators.Following;

/// <summary>Finds what happens to a variable with a wiring between where it is declared and where it is used.</summary>
/// <param name="members">The source.</param>
internal sealed class LocalUse(SourceMembers members)
{
    /// <summary>What is added to it, in order.</summary>
    /// <exception cref="UnfollowableException">It is changed in a way that depends on how the program runs, or given to somebody who could
    /// change it.</exception>
    public IReadOnlyList<IOperation> AddedTo(ILocalReferenceOperation use)
    {
        if (!IsOpenToAll(use.Local.Type))
        {
            return [];
        }

        SyntaxNode declaration = use.Local.DeclaringSyntaxReferences[0].GetSyntax();
        StatementSyntax? statement = declaration.FirstAncestorOrSelf<StatementSyntax>();
        List<IOperation> added = [];
        foreach (IdentifierNameSyntax name in members.UsesOf(use.Local))
        {
            if (name.Span == use.Syntax.Span)
            {
                continue;
            }

            if (name.Parent is MemberAccessExpressionSyntax access && access.Expression == name)
            {
                if (access.Name.Identifier.ValueText == "Add")
                {
                    // What stands behind the use comes later, unless it is in something that may run earlier.
                    IOperation registration = AddedBy(access, statement);
                    added.AddRange(name.SpanStart < use.Syntax.SpanStart ? [registration] : []);
                }
            }
            else if (name.Parent is not (SpreadElementSyntax or ReturnStatementSyntax or ArrowExpressionClauseSyntax)
                && !IsArgumentOfWiring(name))
            {
                throw new UnfollowableException($"{use.Local.Name} is given to other code, which may add to it", name.GetLocation());
            }
        }

        return added;
    }

    /// <summary>Where a field or property with a wiring is added to, or given to code that could do so; null where it is not.</summary>
    public Location? ChangeOf(ISymbol member) => members.UsesOf(member)
        .Select(name => name.Parent is MemberAccessExpressionSyntax whole && whole.Name == name ? (ExpressionSyntax)whole : name)
        .FirstOrDefault(MayChange)?.GetLocation();

    private bool MayChange(ExpressionSyntax use) => use.Parent switch
    {
        MemberAccessExpressionSyntax access => access.Name.Identifier.ValueText == "Add",
        ArgumentSyntax { Parent.Parent: InvocationExpressionSyntax call } => !IsOfLibrary(call),
        SpreadElementSyntax or ReturnStatementSyntax or ArrowExpressionClauseSyntax or ForEachStatementSyntax => false,
        _ => use.Parent is EqualsValueClauseSyntax or AssignmentExpressionSyntax,
    };

    /// <summary>Whether whoever has it can add to it, or exchange what is in it.</summary>
    private static bool IsOpenToAll(ITypeSymbol type) =>
        type is IArrayTypeSymbol || type.GetMembers("Add").Any() || Operations.IsOf(type, "System.Collections.Generic.IList`1");

    /// <summary>What one statement adds, which stands beside the declaration and is run once.</summary>
    private IOperation AddedBy(MemberAccessExpressionSyntax add, StatementSyntax? declaration) =>
        add.Parent is InvocationExpressionSyntax { Parent: ExpressionStatementSyntax statement, ArgumentList.Arguments: [{ } argument] }
        && StandBeside(statement, declaration)
        && members.OperationOf(argument.Expression) is { } operation
            ? operation
            : throw new UnfollowableException("a registration is added only in some runs, or several times", add.GetLocation());

    private static bool StandBeside(StatementSyntax one, StatementSyntax? other) =>
        one.Parent == other?.Parent
        || (one.Parent is GlobalStatementSyntax first && other?.Parent is GlobalStatementSyntax second && first.Parent == second.Parent);

    /// <summary>Whether only the library gets it.</summary>
    private bool IsArgumentOfWiring(IdentifierNameSyntax name) =>
        name.Parent is ArgumentSyntax { Parent.Parent: InvocationExpressionSyntax call } && IsOfLibrary(call);

    private bool IsOfLibrary(InvocationExpressionSyntax call) =>
        members.SymbolOf(call) is IMethodSymbol { ContainingAssembly.Name: "Junctivor" };
}
