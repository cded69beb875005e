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

        return plain switch
        {
            IUnaryOperation { OperatorKind: UnaryOperatorKind.Not, OperatorMethod: null } negated => Not(Read(negated.Operand, at)),
            IBinaryOperation { OperatorKind: BinaryOperatorKind.ConditionalAnd, OperatorMethod: null } both =>
                Joined(both, isDecidedBy: false, plain, at),
            IBinaryOperation { OperatorKind: BinaryOperatorKind.ConditionalOr, OperatorMethod: null } either =>
                Joined(either, isDecidedBy: true, plain, at),
            IBinaryOperation { OperatorKind: BinaryOperatorKind.Equals } equal when Compares(equal) =>
                ReadEqual(equal.LeftOperand, equal.RightOperand, at, plain),
            IBinaryOperation { OperatorKind: BinaryOperatorKind.NotEquals } different when Compares(different) =>
                Not(ReadEqual(different.LeftOperand, different.RightOperand, at, plain)),
            IBinaryOperation
            {
                OperatorKind: BinaryOperatorKind.LessThan or BinaryOperatorKind.LessThanOrEqual
                    or BinaryOperatorKind.GreaterThan or BinaryOperatorKind.GreaterThanOrEqual,
                OperatorMethod: null,
            } order when OrderOf(order, at) is { } known => (known, null),
            IIsPatternOperation { Pattern: IConstantPatternOperation { Value: var pattern } } matched =>
                ReadEqual(matched.Value, pattern, at, plain),
            IIsPatternOperation
            {
                Pattern: INegatedPatternOperation { Pattern: IConstantPatternOperation { Value: var pattern } },
            } matched => Not(ReadEqual(matched.Value, pattern, at, plain)),
            _ => (null, new Condition(FlagOf(plain, at), true)),
        };
    }

    /// <summary>How a comparison comes out: also one that a case of a <c>switch</c> makes.</summary>
    /// <param name="value">The value.</param>
    /// <param name="constant">The constant that it is compared with.</param>
    /// <param name="frame">The evaluation.</param>
    /// <param name="comparison">The comparison.</param>
    public (bool? Constant, Condition? Condition) ReadEqual(IOperation value, IOperation constant, Frame frame, IOperation comparison)
    {
        Optional<object?> left = values.ConstantOf(value, frame);
        Optional<object?> right = values.ConstantOf(constant, frame);
        if (ChangesNumber(value) || ChangesNumber(constant) || left.Value is float or double || right.Value is float or double)
        {
            return (null, Unknown(comparison, frame));
        }

        if (left.HasValue && right.HasValue)
        {
            return left.Value is null || right.Value is null || left.Value.GetType() == right.Value.GetType()
                ? (Equals(left.Value, right.Value), null)
                : (null, Unknown(comparison, frame));
        }

        (IOperation known, Optional<object?> compared) = right.HasValue ? (value, right) : (constant, left);
        (IOperation plain, Frame at) = values.Resolve(known, frame);
        return compared.HasValue
            ? compared.Value is bool wanted && plain.Type?.SpecialType == SpecialType.System_Boolean
                ? wanted ? Read(plain, at) : Not(Read(plain, at))
                : (null, new Condition((FlagOf(plain, at), "equals", compared.Value ?? "null"), true))
            : (null, Unknown(comparison, frame));
    }

    /// <summary>A condition of which nothing is known, but that one evaluation gives one result.</summary>
    public static Condition Unknown(IOperation plain, Frame at, string part = "") =>
        new(part.Length == 0 ? (plain, at) : (plain, at, part), true);

    /// <summary>How two known numbers compare; null if one is not known.</summary>
    private bool? OrderOf(IBinaryOperation order, Frame frame) =>
        !ChangesNumber(order.LeftOperand) && !ChangesNumber(order.RightOperand)
        && values.ConstantOf(order.LeftOperand, frame) is { HasValue: true, Value: int left }
        && values.ConstantOf(order.RightOperand, frame) is { HasValue: true, Value: int right }
            ? order.OperatorKind switch
            {
                BinaryOperatorKind.LessThan => left < right,
                BinaryOperatorKind.LessThanOrEqual => left <= right,
                BinaryOperatorKind.GreaterThan => left > right,
                _ => left >= right,
            }
            : null;

    /// <summary>Whether a conversion can give another number.</summary>
    private static bool ChangesNumber(IOperation operation) =>
        operation is IConversionOperation { ConstantValue.HasValue: false } conversion
        && ((conversion.Conversion is { IsImplicit: false } && conversion.Type is { IsValueType: true })
            || ChangesNumber(conversion.Operand));

    /// <summary>Only of types that compare by their values, and of null.</summary>
    private static bool Compares(IBinaryOperation comparison) =>
        comparison.OperatorMethod is null || comparison.OperatorMethod.ContainingType.SpecialType == SpecialType.System_String;

    /// <summary>A condition of two: the first that comes out in one way decides.</summary>
    private (bool? Constant, Condition? Condition) Joined(IBinaryOperation joined, bool isDecidedBy, IOperation plain, Frame at)
    {
        (bool? Constant, Condition? Condition) left = Read(joined.LeftOperand, at);
        (bool? Constant, Condition? Condition) right = Read(joined.RightOperand, at);
        return left.Constant == isDecidedBy || right.Constant == isDecidedBy ? (isDecidedBy, null)
            : left.Constant is not null ? right
            : right.Constant is not null ? left
            : (null, Unknown(plain, at));
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
        _ => Unknown(plain, at).Flag,
    };

    /// <summary>Whether the field may still be unset while the initializer runs that reads it.</summary>
    private static bool IsSetLater(IFieldSymbol field, Frame frame) =>
        frame.Initialized is { DeclaringSyntaxReferences: [var reading, ..] } member
        && SymbolEqualityComparer.Default.Equals(member.ContainingType, field.ContainingType)
        && !(field.DeclaringSyntaxReferences is [var set, ..]
            && set.SyntaxTree == reading.SyntaxTree
            && set.Span.End < reading.Span.Start);

    /// <summary>The other way round.</summary>
    public static (bool? Constant, Condition? Condition) Not((bool? Constant, Condition? Condition) read) =>
        (!read.Constant, read.Condition is { } condition ? condition with { Value = !condition.Value } : null);
}
