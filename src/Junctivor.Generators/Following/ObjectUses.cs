using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.Operations;

namespace Junctivor.Generators.Following;

/// <summary>Finds which methods are called on an object that a variable or expression has.</summary>
/// <param name="members">The source.</param>
internal sealed class ObjectUses(SourceMembers members)
{
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

    /// <summary>Whether a method returns the object that it is called on, and never another one.</summary>
    public bool ReturnsThis(IMethodSymbol method) =>
        !SourceMembers.IsOverridable(method)
        && members.StatementsOf(method) is { } statements
        && statements.SelectMany(statement => statement.DescendantsAndSelf()).OfType<IReturnOperation>()
            .Where(returned => !Operations.IsInFunction(returned, statements))
            .ToList() is { Count: > 0 } returns
        && returns.All(returned => returned.ReturnedValue is { } value && IsThis(value));

    private bool IsThis(IOperation value) => Operations.WithoutConversions(value) switch
    {
        IInstanceReferenceOperation { ReferenceKind: InstanceReferenceKind.ContainingTypeInstance } => true,
        IInvocationOperation { Instance: { } instance, TargetMethod: var method } => IsThis(instance) && ReturnsThis(method),
        _ => false,
    };
}
