using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.Operations;

namespace Junctivor.Generators.Following;

/// <summary>Reads sequences whose elements the source names: collection expressions, arrays, lists, and LINQ over them.</summary>
/// <param name="wirings">Follows wirings, whose elements are registrations.</param>
/// <param name="members">The source.</param>
/// <param name="values">Reads values.</param>
/// <param name="frames">Makes frames.</param>
/// <param name="conditions">Reads conditions.</param>
/// <param name="lists">Knows the uses of lists.</param>
internal sealed class SequenceReader(
    WiringFollower wirings, SourceMembers members, ValueReading values, Frames frames, ConditionReader conditions, ListUses lists)
{
    private const string Linq = "System.Linq.Enumerable";

    /// <summary>A sequence in one evaluation has the same elements, however often it is read.</summary>
    private readonly Dictionary<(IOperation Sequence, Frame Frame), IReadOnlyList<SequenceElement>> _known = [];

    /// <summary>The elements, in order.</summary>
    /// <exception cref="UnfollowableException">They are known only at run time.</exception>
    public IReadOnlyList<SequenceElement> ElementsOf(IOperation sequence, Frame frame)
    {
        IOperation plain = Operations.WithoutConversions(sequence);
        if (!_known.TryGetValue((plain, frame), out IReadOnlyList<SequenceElement>? known))
        {
            _known.Add((plain, frame), known = Read(plain, frame));
        }

        return known;
    }

    /// <summary>The frame of a round of a loop.</summary>
    /// <exception cref="UnfollowableException">The loop takes its elements apart.</exception>
    public Frame FrameOf(IForEachLoopOperation loop, SequenceElement element, Frame frame) =>
        Operations.WithoutConversions(loop.LoopControlVariable) is IVariableDeclaratorOperation { Symbol: var variable }
            ? frames.OfElement(loop, variable, element, frame)
            : throw Unfollowable.Unknown(loop.LoopControlVariable, "the variable of the loop");

    /// <summary>The elements for which a LINQ method calls a function, each with the frame of that call.</summary>
    public IReadOnlyList<(SequenceElement Element, IOperation Result, Frame Frame)> Mapped(IInvocationOperation call, Frame frame)
    {
        (IOperation function, Frame created) = values.Resolve(call.Arguments[1].Value, frame);
        return Operations.FunctionOf(function) is IAnonymousFunctionOperation lambda
            && lambda.Body.Operations is [IReturnOperation { ReturnedValue: { } result }]
                ?
                [
                    .. ElementsOf(call.Arguments[0].Value, frame)
                        .Select(element => (element, result, frames.OfElement(lambda, created, call, element))),
                ]
                : throw Unfollowable.Unknown(call, "the function");
    }

    /// <summary>Whether a call is one of a LINQ method.</summary>
    public static bool IsLinq(IInvocationOperation call) => Operations.IsOf(call.TargetMethod.ContainingType, Linq);

    private IReadOnlyList<SequenceElement> Read(IOperation plain, Frame frame)
    {
        if (Operations.IsRegistrations(plain.Type) && !IsMade(plain))
        {
            return [.. wirings.Follow(plain, frame).Select(entry => new SequenceElement(null, frame, [], entry))];
        }

        RequireUnchanged(plain);
        (IOperation value, Frame at) = values.Resolve(plain, frame);
        return value switch
        {
            ICollectionExpressionOperation collection => [.. collection.Elements.SelectMany(element =>
                element is ISpreadOperation spread ? ElementsOf(spread.Operand, at) : [new SequenceElement(element, at, [])])],
            IArrayCreationOperation { Initializer: { } initializer } =>
                [.. initializer.ElementValues.Select(element => new SequenceElement(element, at, []))],
            IArrayCreationOperation { DimensionSizes: [{ ConstantValue: { HasValue: true, Value: 0 } }] } => [],
            IObjectCreationOperation { Arguments.IsEmpty: true, Initializer: { } initializer } creation
                when Operations.IsOfPlatform(creation.Constructor!) =>
                [.. initializer.Initializers.Select(added => new SequenceElement(Added(added), at, []))],
            IObjectCreationOperation { Arguments.IsEmpty: true } creation when Operations.IsOfPlatform(creation.Constructor!) => [],
            IFieldReferenceOperation { Field: { IsReadOnly: true } field } read =>
                OfMember(field, read.Instance, read, at),
            IPropertyReferenceOperation { Property: var property, Arguments.IsEmpty: true } read
                when !SourceMembers.IsOverridable(property) => OfMember(property, read.Instance, read, at),
            IInvocationOperation call when IsLinq(call) => OfLinq(call, at),
            IInvocationOperation { TargetMethod: { Name: "Empty", ContainingType.SpecialType: SpecialType.System_Array } } => [],
            IInvocationOperation { TargetMethod: var method } call
                when !Operations.IsOfPlatform(method) && members.IsHere(method) && !SourceMembers.IsOverridable(method) =>
                Inside(method.OriginalDefinition, call, frames.OfCall(call, at)),
            IConditionalOperation { WhenFalse: { } otherwise } choice => OfChoice(choice, otherwise, at),
            _ => throw values.Unknown(value, "the sequence"),
        };
    }

    /// <summary>Whether registrations are named one by one, so that each is an expression of its own.</summary>
    private static bool IsMade(IOperation plain) => plain is IArrayCreationOperation;

    private void RequireUnchanged(IOperation plain)
    {
        ISymbol? holder = plain switch
        {
            ILocalReferenceOperation { Local: var local } => local,
            IParameterReferenceOperation { Parameter: var parameter } => parameter,
            IFieldReferenceOperation { Field: var field } => field,
            IPropertyReferenceOperation { Property: var property } when members.IsHere(property) && members.IsKept(property) => property,
            _ => null,
        };
        if (holder is not null && members.IsHere(holder))
        {
            lists.RequireUnchanged(holder);
        }
    }

    private IReadOnlyList<SequenceElement> OfMember(ISymbol member, IOperation? instance, IOperation use, Frame frame) =>
        Inside(member, use, frames.OfMember(member, instance, use, frame));

    private IReadOnlyList<SequenceElement> Inside(ISymbol member, IOperation use, Frame frame)
    {
        Location from = Operations.LocationOf(use);
        return members.Inside(member, from, () => ElementsOf(members.ValueOf(member, from), frame));
    }

    private IReadOnlyList<SequenceElement> OfChoice(IConditionalOperation choice, IOperation otherwise, Frame frame) =>
        conditions.Read(choice.Condition, frame) switch
        {
            { Constant: true } => ElementsOf(choice.WhenTrue, frame),
            { Constant: false } => ElementsOf(otherwise, frame),
            { Condition: var holds } =>
            [
                .. ElementsOf(choice.WhenTrue, frame).Select(element => element.When([holds!])),
                .. ElementsOf(otherwise, frame).Select(element => element.When([holds!.Negated])),
            ],
        };

    private IReadOnlyList<SequenceElement> OfLinq(IInvocationOperation call, Frame frame) => Operations.Shape(call) switch
    {
        ("Empty", _) => [],
        ("Select", 2) => [.. Mapped(call, frame).Select(each => new SequenceElement(each.Result, each.Frame, each.Element.Conditions))],
        ("SelectMany", 2) =>
        [
            .. Mapped(call, frame)
                .SelectMany(each => ElementsOf(each.Result, each.Frame).Select(element => element.When(each.Element.Conditions))),
        ],
        ("Where", 2) => [.. Mapped(call, frame).SelectMany(Chosen)],
        ("Concat", 2) => [.. ElementsOf(call.Arguments[0].Value, frame), .. ElementsOf(call.Arguments[1].Value, frame)],
        ("Append", 2) => [.. ElementsOf(call.Arguments[0].Value, frame), new SequenceElement(call.Arguments[1].Value, frame, [])],
        ("Prepend", 2) => [new SequenceElement(call.Arguments[1].Value, frame, []), .. ElementsOf(call.Arguments[0].Value, frame)],
        ("Reverse", 1) => [.. ElementsOf(call.Arguments[0].Value, frame).Reverse()],
        ("ToArray" or "ToList" or "AsEnumerable", 1) => ElementsOf(call.Arguments[0].Value, frame),
        _ => throw Unfollowable.Unknown(call, "the sequence"),
    };

    private IReadOnlyList<SequenceElement> Chosen((SequenceElement Element, IOperation Result, Frame Frame) each) =>
        conditions.Read(each.Result, each.Frame) switch
        {
            { Constant: true } => [each.Element],
            { Constant: false } => [],
            _ when each.Result.DescendantsAndSelf().OfType<IParameterReferenceOperation>()
                .Any(read => ValueReading.IsBoundIn(read.Parameter, each.Frame)) =>
                throw Unfollowable.Unknown(each.Result, "which elements are taken"),
            { Condition: var holds } => [each.Element.When([holds!])],
        };

    private static IOperation Added(IOperation added) =>
        added is IInvocationOperation { TargetMethod.Name: "Add", Arguments: [var element] }
            ? element.Value
            : throw Unfollowable.Unknown(added, "the sequence");
}
