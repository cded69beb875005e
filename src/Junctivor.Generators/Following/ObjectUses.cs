using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.CSharp.Syntax;
using Microsoft.CodeAnalysis.Operations;

namespace Junctivor.Generators.Following;

/// <summary>Finds which methods are called on an object that a variable or expression has.</summary>
/// <param name="members">The source.</param>
internal sealed class ObjectUses(SourceMembers members)
{
    private readonly HashSet<IMethodSymbol> _returning = new(SymbolEqualityComparer.Default);

    /// <summary>The calls on an object from an expression that has it outwards, as long as methods return the object; null if it also gets
    /// to other code.</summary>
    public IReadOnlyList<IInvocationOperation>? CallsOn(IOperation expression)
    {
        List<IInvocationOperation> calls = [];
        IOperation current = expression;
        while (true)
        {
            switch (current.Parent)
            {
                case IConversionOperation { OperatorMethod: null } or IParenthesizedOperation:
                    current = current.Parent;
                    break;
                case IInvocationOperation call when call.Instance == current && members.StatementsOf(call.TargetMethod) is not null:
                    calls.Add(call);
                    if (!ReturnsThis(call.TargetMethod))
                    {
                        return calls;
                    }

                    current = call;
                    break;
                case IInvocationOperation call when call.Instance == current && Operations.IsOfPlatform(call.TargetMethod):
                case IMemberReferenceOperation { Member: not IMethodSymbol } read when read.Instance == current:
                case IExpressionStatementOperation or INameOfOperation:
                    return calls;
                case IVariableInitializerOperation { Parent: IVariableDeclaratorOperation { Symbol: var local } }
                    when !members.Uses.IsAssigned(local):
                    return CallsOn(local) is { } further ? [.. calls, .. further] : null;
                default:
                    return null;
            }
        }
    }

    /// <summary>The calls on an object that a variable has; null if it also gets to other code.</summary>
    public IReadOnlyList<IInvocationOperation>? CallsOn(ILocalSymbol local)
    {
        List<IInvocationOperation> calls = [];
        foreach (SymbolUse use in members.Uses.Of(local).Where(use => !use.IsNameOnly))
        {
            IOperation? used = use.Operation is IInvocationOperation { Instance: { } instance } ? instance : use.Operation;
            if (used is not ILocalReferenceOperation || CallsOn(used) is not { } found)
            {
                return null;
            }

            calls.AddRange(found);
        }

        return calls;
    }

    /// <summary>Where a class gives its own object to other code, which may then call its methods; null if it does not.</summary>
    public static Location? PlaceWhereThisIsGiven(INamedTypeSymbol type) => type.DeclaringSyntaxReferences
        .SelectMany(declaration => declaration.GetSyntax().DescendantNodes().OfType<ThisExpressionSyntax>())
        .FirstOrDefault(self => self.Parent is not (MemberAccessExpressionSyntax or ReturnStatementSyntax or ArrowExpressionClauseSyntax))
        ?.GetLocation();

    /// <summary>Whether a method returns the object that it is called on, and never another one.</summary>
    public bool ReturnsThis(IMethodSymbol method)
    {
        if (SourceMembers.IsOverridable(method) || members.StatementsOf(method) is not { } statements)
        {
            return false;
        }

        // A method that returns the result of itself returns nothing else by that.
        if (!_returning.Add(method.OriginalDefinition))
        {
            return true;
        }

        IReadOnlyList<IReturnOperation> returns =
        [
            .. statements.SelectMany(statement => statement.DescendantsAndSelf()).OfType<IReturnOperation>()
                .Where(returned => !Operations.IsInFunction(returned, statements)),
        ];
        bool returnsThis = returns.Count > 0 && returns.All(returned => returned.ReturnedValue is { } value && IsThis(value));
        _returning.Remove(method.OriginalDefinition);
        return returnsThis;
    }

    private bool IsThis(IOperation value) => Operations.WithoutConversions(value) switch
    {
        IInstanceReferenceOperation { ReferenceKind: InstanceReferenceKind.ContainingTypeInstance } => true,
        IInvocationOperation { Instance: { } instance, TargetMethod: var method } => IsThis(instance) && ReturnsThis(method),
        _ => false,
    };
}
