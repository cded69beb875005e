using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.CSharp.Syntax;
using Microsoft.CodeAnalysis.Operations;

namespace Junctivor.Generators.Following;

/// <summary>A place that names a variable, parameter or member.</summary>
/// <param name="Syntax">The name, with what stands before it in a member access; a method with its call.</param>
/// <param name="Operation">What happens there; null if the compiler does not tell.</param>
internal sealed record SymbolUse(SyntaxNode Syntax, IOperation? Operation)
{
    /// <summary>Whether it only names the symbol, as <c>nameof</c> and patterns do.</summary>
    public bool IsNameOnly =>
        Operation?.Parent is INameOfOperation
        || Syntax.Ancestors().TakeWhile(node => node is not StatementSyntax and not MemberDeclarationSyntax)
            .Any(node => node is NameColonSyntax or ExpressionColonSyntax or TypeOfExpressionSyntax)
        || Syntax.FirstAncestorOrSelf<InvocationExpressionSyntax>() is
        { Expression: IdentifierNameSyntax { Identifier.ValueText: "nameof" } };

    /// <summary>Whether it gets another value there, or whoever gets it by reference can give it one; true where that is not
    /// known.</summary>
    public bool IsAssignment
    {
        get
        {
            if (IsNameOnly)
            {
                return false;
            }

            if (Operation is null || IsByReference(Syntax))
            {
                return true;
            }

            IOperation target = Operation;
            while (target.Parent is ITupleOperation or IParenthesizedOperation)
            {
                target = target.Parent;
            }

            return target.Parent switch
            {
                IAssignmentOperation assignment => assignment.Target == target,
                IArgumentOperation { Parameter.RefKind: RefKind.Ref or RefKind.Out } => true,
                IIncrementOrDecrementOperation or IAddressOfOperation or { Kind: OperationKind.None } => true,
                _ => false,
            };
        }
    }

    private static bool IsByReference(SyntaxNode syntax) => syntax.Parent switch
    {
        RefExpressionSyntax => true,
        ParenthesizedExpressionSyntax or ConditionalExpressionSyntax => IsByReference(syntax.Parent),
        _ => false,
    };
}
