using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.CSharp.Syntax;
using Microsoft.CodeAnalysis.Operations;

namespace Junctivor.Generators.Following;

/// <summary>Finds the code that a call runs, even if it calls a delegate, or a method of an interface or base class.</summary>
/// <param name="members">The source.</param>
/// <param name="values">Reads values.</param>
/// <param name="types">Reads types.</param>
/// <param name="frames">Makes frames.</param>
internal sealed class CallReader(SourceMembers members, ValueReading values, TypeReading types, Frames frames)
{
    /// <summary>The code that a call runs; null if it calls a delegate that is null.</summary>
    /// <exception cref="UnfollowableException">That is known only at run time, or is not in this source.</exception>
    public CalledBody? Read(IInvocationOperation call, Frame frame)
    {
        if (call.TargetMethod.MethodKind == MethodKind.DelegateInvoke)
        {
            return ReadDelegate(call, frame);
        }

        IMethodSymbol method = TargetOf(call, frame);
        return members.StatementsOf(method) is { } statements
            ? new CalledBody(method, statements, frames.OfCall(call, method, call.Instance, frame))
            : throw Unfollowable.Unknown(call, "the call");
    }

    /// <summary>The method that a call reaches, whichever class overrides or implements it.</summary>
    /// <exception cref="UnfollowableException">The class is known only at run time.</exception>
    public IMethodSymbol TargetOf(IInvocationOperation call, Frame frame)
    {
        IMethodSymbol method = call.TargetMethod;
        return (IMethodSymbol)TargetOf(method, call.Instance, call, frame);
    }

    /// <summary>The member that is used, whichever class overrides or implements it.</summary>
    /// <param name="member">The member that is named.</param>
    /// <param name="instance">The object; null for a static member.</param>
    /// <param name="use">Where it is used.</param>
    /// <param name="frame">The evaluation.</param>
    /// <exception cref="UnfollowableException">The class is known only at run time.</exception>
    public ISymbol TargetOf(ISymbol member, IOperation? instance, IOperation use, Frame frame)
    {
        if (!SourceMembers.IsOverridable(member) || IsOfBase(instance))
        {
            return member;
        }

        ITypeSymbol? constrained =
            (use as IInvocationOperation)?.ConstrainedToType ?? (use as IMemberReferenceOperation)?.ConstrainedToType;
        if (instance is null)
        {
            return constrained is not null && Implementation(member, types.In(constrained, frame, use)) is { } own
                ? own
                : throw Unfollowable.Unknown(use, "the implementation of the member");
        }

        (IOperation plain, Frame at) = values.Resolve(instance, frame);
        ITypeSymbol? type = plain switch
        {
            IObjectCreationOperation creation => types.In(creation.Type!, at, creation),
            IInstanceReferenceOperation { ReferenceKind: InstanceReferenceKind.ContainingTypeInstance } when at.Receiver is { } receiver =>
                types.In(receiver.Creation.Type!, receiver.Frame, use),
            _ when plain.Type is { IsSealed: true, TypeKind: TypeKind.Class or TypeKind.Struct } isSealed => types.In(isSealed, at, use),
            _ => null,
        };
        return type is not null && Implementation(member, type) is { } implementation
            ? implementation
            : throw Unfollowable.Unknown(use, "the implementation of the member");
    }

    private static bool IsOfBase(IOperation? instance) => instance?.Syntax is BaseExpressionSyntax;

    /// <summary>The member of a class that implements one of an interface, or overrides one of a base class; null if there is
    /// none.</summary>
    private static TMember? Implementation<TMember>(TMember member, ITypeSymbol type)
        where TMember : class, ISymbol
    {
        if (member.ContainingType.TypeKind == TypeKind.Interface)
        {
            TMember? implementation = type.FindImplementationForInterfaceMember(ClosedIn(type, member)) as TMember;
            return implementation is { ContainingType.TypeKind: not TypeKind.Interface } && SourceMembers.IsOverridable(implementation)
                ? Implementation(implementation, type)
                : implementation;
        }

        for (ITypeSymbol? each = type; each is not null; each = each.BaseType)
        {
            foreach (TMember own in each.GetMembers(member.Name).OfType<TMember>())
            {
                for (ISymbol? overridden = own; overridden is not null; overridden = OverriddenBy(overridden))
                {
                    if (SymbolEqualityComparer.Default.Equals(overridden.OriginalDefinition, member.OriginalDefinition))
                    {
                        return own.IsAbstract ? null : own;
                    }
                }
            }
        }

        return null;
    }

    private static ISymbol ClosedIn(ITypeSymbol type, ISymbol member) =>
        type.AllInterfaces
            .Where(each => SymbolEqualityComparer.Default.Equals(each.OriginalDefinition, member.ContainingType.OriginalDefinition))
            .SelectMany(each => each.GetMembers(member.Name))
            .FirstOrDefault(each => SymbolEqualityComparer.Default.Equals(each.OriginalDefinition, member.OriginalDefinition)) ?? member;

    private static ISymbol? OverriddenBy(ISymbol member) => member switch
    {
        IMethodSymbol method => method.OverriddenMethod,
        IPropertySymbol property => property.OverriddenProperty,
        _ => null,
    };

    private CalledBody? ReadDelegate(IInvocationOperation call, Frame frame)
    {
        (IOperation value, Frame at) = values.ResolveKept(call.Instance!, frame);
        return Operations.FunctionOf(value) switch
        {
            null when value is { ConstantValue: { HasValue: true, Value: null } } => null,
            IAnonymousFunctionOperation lambda =>
                new CalledBody(lambda.Symbol, lambda.Body.Operations, frames.OfLambda(lambda, at, call, frame)),
            IMethodReferenceOperation { Method: var method } group
                when !SourceMembers.IsOverridable(method) && members.StatementsOf(method) is { } statements
                    && method.Parameters.Length == call.Arguments.Length =>
                new CalledBody(method, statements, frames.OfCall(call, method, group.Instance, frame)),
            _ => throw values.Unknown(value, "the function"),
        };
    }
}
