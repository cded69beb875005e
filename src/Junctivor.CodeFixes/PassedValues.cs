using Junctivor.Generators.Following;
using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.CSharp.Syntax;
using Microsoft.CodeAnalysis.Operations;

namespace Junctivor.CodeFixes;

/// <summary>Whether values may be computed later than they are written: in the statement to which their declarations are moved.</summary>
/// <param name="model">The source.</param>
/// <param name="block">The method or program.</param>
internal sealed class PassedValues(SemanticModel model, SyntaxNode block)
{
    /// <summary>Whether an expression has the same value from its place on, and computing it does nothing else.</summary>
    public bool IsLasting(IOperation value) => value switch
    {
        { ConstantValue.HasValue: true } or ITypeOfOperation or IDefaultValueOperation or IInstanceReferenceOperation => true,
        ILocalReferenceOperation local => !IsAssigned(local.Local, local.Syntax),
        IParameterReferenceOperation parameter => !IsAssigned(parameter.Parameter, parameter.Syntax),
        IFieldReferenceOperation { Field: { IsReadOnly: true, IsStatic: true } } => true,
        IConversionOperation { OperatorMethod: null } conversion => IsLasting(conversion.Operand),
        IParenthesizedOperation parenthesized => IsLasting(parenthesized.Operand),
        IBinaryOperation { OperatorMethod: null } binary => IsLasting(binary.LeftOperand) && IsLasting(binary.RightOperand),
        IUnaryOperation { OperatorMethod: null } unary => IsLasting(unary.Operand),
        _ => false,
    };

    /// <summary>Whether a variable is assigned behind a place; or in a function, which may run at any time.</summary>
    private bool IsAssigned(ISymbol variable, SyntaxNode at) => block.DescendantNodes()
        .OfType<IdentifierNameSyntax>()
        .Where(name => name.Identifier.ValueText == variable.Name
            && SymbolEqualityComparer.Default.Equals(model.GetSymbolInfo(name).Symbol, variable))
        .Where(name => name.SpanStart > at.SpanStart || IsInFunction(name))
        .Any(name => new SymbolUse(name, model.GetOperation(name)).IsAssignment);

    private bool IsInFunction(SyntaxNode name) => name.Ancestors()
        .TakeWhile(node => node != block)
        .Any(node => node is AnonymousFunctionExpressionSyntax or LocalFunctionStatementSyntax);
}
