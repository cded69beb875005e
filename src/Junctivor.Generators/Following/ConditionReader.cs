using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.Operations;

namespace Junctivor.Generators.Following;

/// <summary>Reads what decides whether registrations are in a wiring.</summary>
/// <param name="members">The source.</param>
internal sealed class ConditionReader(SourceMembers members)
{
    /// <summary>How a condition comes out, where that is known; otherwise what it depends on.</summary>
    public (bool? Constant, Condition? Condition) Read(IOperation condition, Frame frame)
    {
        (IOperation plain, Frame at) = frame.Resolve(condition);
        if (plain.ConstantValue is { HasValue: true, Value: bool constant })
        {
            return (constant, null);
        }

        return plain switch
        {
            IUnaryOperation { OperatorKind: UnaryOperatorKind.Not } negated => Not(Read(negated.Operand, at)),
            IParameterReferenceOperation parameter => (null, new Condition(parameter.Parameter, true)),
            IFieldReferenceOperation { Field: { IsReadOnly: true, IsStatic: true } field } => (null, new Condition(field, true)),
            ILocalReferenceOperation local when !members.IsReassigned(local.Local) => (null, new Condition((local.Local, at), true)),
            _ => (null, new Condition((plain.Syntax, at), true)),
        };
    }

    private static (bool? Constant, Condition? Condition) Not((bool? Constant, Condition? Condition) read) =>
        (!read.Constant, read.Condition is { } condition ? condition with { Value = !condition.Value } : null);
}
