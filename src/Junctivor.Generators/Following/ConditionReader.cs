using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.Operations;

namespace Junctivor.Generators.Following;

/// <summary>Reads what decides whether registrations are in a wiring.</summary>
/// <param name="members">The source.</param>
/// <param name="values">Reads values.</param>
/// <param name="types">Reads types.</param>
internal sealed class ConditionReader(SourceMembers members, ValueReading values, TypeReading types)
{
    /// <summary>How a condition comes out, where that is known; otherwise what it depends on. Two conditions depend on the same only if
    /// they are certain to come out the same.</summary>
    public (bool? Constant, Condition? Condition) Read(IOperation condition, Frame frame)
    {
        (IOperation plain, Frame at) = values.Resolve(condition, frame);
        if (plain.ConstantValue is { HasValue: true, Value: bool constant })
        {
            return (constant, null);
        }

        return plain is IUnaryOperation { OperatorKind: UnaryOperatorKind.Not, OperatorMethod: null } negated
            ? Not(Read(negated.Operand, at))
            : (null, new Condition(FlagOf(plain, at), true));
    }

    private object FlagOf(IOperation plain, Frame at) => plain switch
    {
        IParameterReferenceOperation { Parameter: var parameter } when !members.Uses.IsAssigned(parameter) =>
            at.IsOpen(parameter) ? parameter
            : parameter.ContainingSymbol is IMethodSymbol { MethodKind: MethodKind.Constructor } ? (parameter, at.Receiver)
            : (parameter, (object?)at.HomeOf(parameter) ?? plain),
        ILocalReferenceOperation { Local: var local } when !members.Uses.IsAssigned(local) && at.HomeOf(local) is { } home =>
            (local, home),
        IFieldReferenceOperation { Field: { IsReadOnly: true, IsStatic: true } field } when !IsSetLater(field, at) =>
            types.MemberIn(field, at),
        _ => (plain, at),
    };

    /// <summary>Whether the field may still be unset while the initializer runs that reads it.</summary>
    private static bool IsSetLater(IFieldSymbol field, Frame frame) =>
        frame.Initialized is { DeclaringSyntaxReferences: [var reading, ..] } member
        && SymbolEqualityComparer.Default.Equals(member.ContainingType, field.ContainingType)
        && !(field.DeclaringSyntaxReferences is [var set, ..]
            && set.SyntaxTree == reading.SyntaxTree
            && set.Span.End < reading.Span.Start);

    private static (bool? Constant, Condition? Condition) Not((bool? Constant, Condition? Condition) read) =>
        (!read.Constant, read.Condition is { } condition ? condition with { Value = !condition.Value } : null);
}
