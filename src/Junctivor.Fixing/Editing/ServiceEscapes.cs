using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.CSharp;
using Microsoft.CodeAnalysis.CSharp.Syntax;

namespace Junctivor.Fixing.Editing;

/// <summary>Refuses what may use a service, or what it returned, after the end of its scope.</summary>
/// <param name="model">The model of the file.</param>
/// <param name="home">The method or accessor.</param>
/// <param name="name">Its name, for texts.</param>
internal sealed class ServiceEscapes(SemanticModel model, SyntaxNode home, string name)
{
    /// <summary>Refuses a use from which the service gets out of the statements that share one scope.</summary>
    /// <param name="service">The service: a name, or a call that returns it.</param>
    /// <exception cref="CannotEditException">It may be used later.</exception>
    public void Refuse(ExpressionSyntax service)
    {
        if (service.Parent is EqualsValueClauseSyntax { Parent: VariableDeclaratorSyntax variable } value && value.Value == service)
        {
            RefuseVariable(variable, service);
            return;
        }

        RefuseUse(service);
    }

    private void RefuseVariable(VariableDeclaratorSyntax variable, ExpressionSyntax service)
    {
        if (variable.Parent?.Parent is not LocalDeclarationStatementSyntax local)
        {
            throw new CannotEditException($"{name} hands on {service} itself, beyond the end of its scope");
        }

        if (local.UsingKeyword.IsKind(SyntaxKind.UsingKeyword))
        {
            throw new CannotEditException($"{name} disposes {service} itself");
        }

        ISymbol? symbol = model.GetDeclaredSymbol(variable);
        foreach (IdentifierNameSyntax use in home.DescendantNodes().OfType<IdentifierNameSyntax>())
        {
            if (use.Identifier.ValueText == symbol?.Name
                && SymbolEqualityComparer.Default.Equals(model.GetSymbolInfo(use).Symbol, symbol))
            {
                RefuseUse(use);
            }
        }
    }

    private void RefuseUse(ExpressionSyntax service)
    {
        switch (service.Parent)
        {
            case ArgumentSyntax argument when !IsOnlyUsedBy(argument):
                throw new CannotEditException($"{name} passes {service} on, and it may be kept beyond the end of its scope");
            case MemberAccessExpressionSyntax access when access.Expression == service:
                RefuseMember(access, service);
                break;
            case ConditionalAccessExpressionSyntax conditional when conditional.Expression == service:
            case ArgumentSyntax:
            case PostfixUnaryExpressionSyntax:
            case InterpolationSyntax:
            case ExpressionStatementSyntax:
                break;
            case IsPatternExpressionSyntax { Pattern: ConstantPatternSyntax or UnaryPatternSyntax { Pattern: ConstantPatternSyntax } }:
                break;
            case ElementAccessExpressionSyntax element when element.Expression == service:
                break;
            default:
                throw new CannotEditException($"{name} hands on {service} itself, beyond the end of its scope");
        }

        if (service.Ancestors().TakeWhile(node => node != home)
            .Any(node => node is AnonymousFunctionExpressionSyntax or LocalFunctionStatementSyntax))
        {
            throw new CannotEditException($"{name} uses {service} in a function, which may run after the end of its scope");
        }
    }

    private void RefuseMember(MemberAccessExpressionSyntax access, ExpressionSyntax service)
    {
        ISymbol? member = model.GetSymbolInfo(access).Symbol;
        if (member is IEventSymbol)
        {
            throw new CannotEditException($"{name} subscribes to {member.Name}, which ends with the scope");
        }

        if (member is IMethodSymbol && access.Parent is not InvocationExpressionSyntax)
        {
            throw new CannotEditException($"{name} uses {service} in a function, which may run after the end of its scope");
        }

        if (member is { Name: "Dispose" or "DisposeAsync" })
        {
            throw new CannotEditException($"{name} disposes {service} itself");
        }

        RefuseResult(ChainOf(access), service);
    }

    /// <summary>The whole of <c>ledger.Rows().Count</c>, where a part of it is the first member.</summary>
    private static ExpressionSyntax ChainOf(ExpressionSyntax part) => part.Parent switch
    {
        MemberAccessExpressionSyntax access when access.Expression == part => ChainOf(access),
        InvocationExpressionSyntax call when call.Expression == part => ChainOf(call),
        ElementAccessExpressionSyntax element when element.Expression == part => ChainOf(element),
        ConditionalAccessExpressionSyntax conditional when conditional.Expression == part => ChainOf(conditional),
        PostfixUnaryExpressionSyntax { RawKind: (int)SyntaxKind.SuppressNullableWarningExpression } sure => ChainOf(sure),
        _ => part,
    };

    /// <summary>A task must end within the scope, and what is read later must be read within it.</summary>
    private void RefuseResult(ExpressionSyntax result, ExpressionSyntax service)
    {
        ITypeSymbol? type = model.GetTypeInfo(result).Type;
        if (TaskTypes.IsTask(type) && !IsAwaited(result))
        {
            throw new CannotEditException($"{name} does not await what {service} starts, which may go on beyond the end of its scope");
        }

        if (TaskTypes.IsReadLater(type) && IsKept(result.Parent is AwaitExpressionSyntax awaited ? awaited : result))
        {
            throw new CannotEditException($"what {name} gets from {service} is read after its scope was disposed");
        }
    }

    private static bool IsAwaited(ExpressionSyntax task) => task.Parent switch
    {
        AwaitExpressionSyntax or ReturnStatementSyntax or ArrowExpressionClauseSyntax => true,
        ArgumentSyntax { Parent.Parent: InvocationExpressionSyntax { Expression: MemberAccessExpressionSyntax all } call } =>
            all.Name.Identifier.ValueText == "WhenAll" && IsAwaited(call),
        _ => false,
    };

    /// <summary>Whether something that is read later gets out of the statements around it.</summary>
    private bool IsKept(ExpressionSyntax value) => value.Parent switch
    {
        ReturnStatementSyntax or ArrowExpressionClauseSyntax or YieldStatementSyntax => true,
        AssignmentExpressionSyntax assignment => assignment.Right == value,
        ArgumentSyntax { Parent.Parent: not InvocationExpressionSyntax } => true,
        EqualsValueClauseSyntax { Parent: VariableDeclaratorSyntax variable } => model.GetDeclaredSymbol(variable) is { } symbol
            && home.DescendantNodes().OfType<IdentifierNameSyntax>().Any(use => use.Identifier.ValueText == symbol.Name
                && SymbolEqualityComparer.Default.Equals(model.GetSymbolInfo(use).Symbol, symbol)
                && IsKept(use)),
        CollectionElementSyntax or InitializerExpressionSyntax or AnonymousObjectMemberDeclaratorSyntax => true,
        _ => false,
    };

    /// <summary>Whether a method of the source takes it as an argument and only calls its members.</summary>
    private bool IsOnlyUsedBy(ArgumentSyntax argument) =>
        argument.Parent?.Parent is InvocationExpressionSyntax call
        && model.GetSymbolInfo(call).Symbol is IMethodSymbol { DeclaringSyntaxReferences: [SyntaxReference reference] } method
        && reference.SyntaxTree == home.SyntaxTree
        && reference.GetSyntax() is MethodDeclarationSyntax or LocalFunctionStatementSyntax
        && argument.NameColon is null
        && argument.Parent is ArgumentListSyntax list
        && list.Arguments.IndexOf(argument) is var number
        && number < method.Parameters.Length
        && !method.Parameters[number].IsParams
        && reference.GetSyntax().DescendantNodes().OfType<IdentifierNameSyntax>()
            .Where(use => SymbolEqualityComparer.Default.Equals(model.GetSymbolInfo(use).Symbol, method.Parameters[number]))
            .All(use => use.Parent is MemberAccessExpressionSyntax { Parent: InvocationExpressionSyntax called } access
                && access.Expression == use
                && !use.Ancestors().TakeWhile(node => node != reference.GetSyntax())
                    .Any(node => node is AnonymousFunctionExpressionSyntax or LocalFunctionStatementSyntax)
                && !TaskTypes.IsReadLater(model.GetTypeInfo(called).Type));
}
