using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.Operations;

namespace Junctivor.Generators.Following;

/// <summary>Builds a list, statement by statement.</summary>
/// <param name="owner">Reads additions.</param>
/// <param name="additions">Where something is added.</param>
/// <param name="first">Its first content.</param>
/// <param name="until">Where it is used; null to go on to the end.</param>
internal sealed class ListBuilding(
    ListContents owner, IReadOnlyList<ListAddition> additions, IReadOnlyList<WiringEntry> first, IOperation? until) : IStatementVisitor
{
    private readonly IReadOnlyList<(ListAddition Addition, SyntaxNode? Function)> _additions =
    [
        .. additions.OrderBy(each => each.Node.Syntax.Span.End).ThenByDescending(each => each.Node.Syntax.SpanStart)
            .Select(each => (each, Functions.FunctionAround(each.Node.Syntax))),
    ];

    public IReadOnlyList<WiringEntry> Entries { get; private set; } = first;

    public bool IsDone { get; private set; }

    public bool Matters(IOperation operation) => IsUntil(operation) || Within(operation).Any();

    public void Reach(IOperation operation, Frame frame, IReadOnlyList<Condition> path)
    {
        bool isLast = IsUntil(operation);
        foreach (ListAddition addition in Within(operation))
        {
            if (!isLast || addition.Node.Syntax.Span.End <= until!.Syntax.SpanStart)
            {
                Apply(addition, operation, frame, path);
            }
        }

        if (isLast)
        {
            Entries = [.. Entries.Select(entry => entry.Given(path)).OfType<WiringEntry>()];
            IsDone = true;
        }
    }

    public bool ReachLoop(ILoopOperation loop, Frame frame, IReadOnlyList<Condition> path)
    {
        if (!IsUntil(loop))
        {
            return false;
        }

        if (Within(loop).FirstOrDefault() is { } added)
        {
            throw Unfollowable.AddedInSomeRuns(Operations.LocationOf(added.Node));
        }

        Entries = [.. Entries.Select(entry => entry.Given(path)).OfType<WiringEntry>()];
        return IsDone = true;
    }

    private bool IsUntil(IOperation operation) => until is not null && Operations.Contains(operation, until);

    private IEnumerable<ListAddition> Within(IOperation operation)
    {
        SyntaxNode? function = Functions.FunctionAround(operation.Syntax);
        return _additions.Where(each => Operations.Contains(operation, each.Addition.Node) && Functions.IsSame(function, each.Function))
            .Select(each => each.Addition);
    }

    private void Apply(ListAddition addition, IOperation statement, Frame frame, IReadOnlyList<Condition> path)
    {
        if (WithinExpression(addition.Node, statement, frame) is not { } further)
        {
            return;
        }

        IReadOnlyList<Condition> whole = [.. path, .. further];
        switch (addition)
        {
            case { Kind: ListAdditionKind.Assigned, Node: ICoalesceAssignmentOperation coalesce }:
                RequireValue(coalesce);
                break;
            case { Kind: ListAdditionKind.Assigned, Node: IAssignmentOperation assignment }:
                Replace(
                    Operations.IsRegistration(assignment.Target.Type)
                        ? owner.Registrations.Follow(assignment.Value, frame)
                        : owner.Wirings.Follow(assignment.Value, frame),
                    whole);
                break;
            case { Kind: ListAdditionKind.Own, Node: IInvocationOperation call }:
                AddOwn(call, frame, whole);
                break;
            case { Kind: ListAdditionKind.Held, Parameter: { } parameter, Node: IInvocationOperation call }:
                RunInside(
                    owner.Calls.Read(call, frame) ?? throw Unfollowable.Unknown(call, "the call"),
                    call,
                    owner.Lists.Additions.AdditionsToHeld(parameter),
                    whole);
                break;
            case { Kind: ListAdditionKind.Called, Node: IInvocationOperation call }:
                RunCalled(call, frame, whole);
                break;
            case { Parameter: { } parameter, Node: IInvocationOperation call }:
                Pass(call, parameter, frame, whole);
                break;
            default:
                throw Unfollowable.Unknown(addition.Node, "the wiring");
        }
    }

    /// <exception cref="UnfollowableException">The variable may be null there, and so get another list.</exception>
    private void RequireValue(ICoalesceAssignmentOperation coalesce)
    {
        if (coalesce.Target is not ILocalReferenceOperation { Local: var local }
            || owner.Members.InitialValueOf(local) is null or { ConstantValue: { HasValue: true, Value: null } })
        {
            throw Unfollowable.Unknown(coalesce, "the wiring");
        }
    }

    private void AddOwn(IInvocationOperation call, Frame frame, IReadOnlyList<Condition> path)
    {
        IOperation added = call.Arguments[^1].Value;
        IReadOnlyList<WiringEntry> entries = [.. EntriesOf(call, added, frame).Select(entry => entry.When(path))];
        if (call.TargetMethod.Name is "Insert" or "InsertRange")
        {
            Entries = call.Arguments[0].Value.ConstantValue is { HasValue: true, Value: 0 }
                ? [.. entries, .. Entries]
                : throw Unfollowable.Unknown(call, "the place in the list");
            return;
        }

        Entries = [.. Entries, .. entries];
    }

    /// <summary>The variable has another list where the path was taken, and the one that it had otherwise.</summary>
    private void Replace(IReadOnlyList<WiringEntry> entries, IReadOnlyList<Condition> path)
    {
        IEnumerable<WiringEntry> kept = path.SelectMany((condition, number) =>
            Entries.Select(entry => entry.When([.. path.Take(number), condition.Negated])));
        Entries = [.. kept, .. entries.Select(entry => entry.When(path))];
    }

    private void RunCalled(IInvocationOperation call, Frame frame, IReadOnlyList<Condition> path)
    {
        if (owner.Calls.Read(call, frame) is { } called)
        {
            RunInside(called, call, additions, path);
        }
    }

    private void Pass(IInvocationOperation call, IParameterSymbol parameter, Frame frame, IReadOnlyList<Condition> path)
    {
        if (owner.Wirings.AddedByOther(call, frame) is { } entries)
        {
            Entries = [.. Entries, .. entries.Select(entry => entry.When(path))];
            return;
        }

        if (owner.Calls.Read(call, frame) is not { } called)
        {
            return;
        }

        IReadOnlyList<ListAddition> inside = AdditionsIn(called, called.ParameterFor(parameter));
        if (inside.FirstOrDefault(each => each.Kind == ListAdditionKind.Assigned) is { } assigned)
        {
            throw Unfollowable.AnotherValue(parameter, Operations.LocationOf(assigned.Node));
        }

        RunInside(called, call, inside, path);
    }

    private IReadOnlyList<ListAddition> AdditionsIn(CalledBody called, IParameterSymbol parameter) => Functions.IsOfBlock(parameter)
        ? owner.Lists.Additions.AdditionsIn(owner.Members.DeclarationOf(called.Function.OriginalDefinition), parameter)
        : owner.Lists.Additions.AdditionsTo(parameter);

    /// <summary>Goes on with this list in another function.</summary>
    private void RunInside(CalledBody called, IOperation call, IReadOnlyList<ListAddition> inside, IReadOnlyList<Condition> path)
    {
        bool runsLater = called.Function.IsIterator || (called.Function.IsAsync && call.Parent is not IAwaitOperation);
        if (runsLater && inside.Count > 0)
        {
            throw Unfollowable.AddedInSomeRuns(Operations.LocationOf(call));
        }

        ListBuilding building = new(owner, inside, Entries, until: null);
        owner.Members.Inside(called.Function, Operations.LocationOf(call), () =>
            new StatementWalk(owner.Conditions, owner.Sequences, building).Run(called.Statements, called.Frame, path));
        Entries = building.Entries;
    }

    /// <summary>The entries that <c>Add</c> or <c>AddRange</c> adds.</summary>
    private IReadOnlyList<WiringEntry> EntriesOf(IInvocationOperation call, IOperation added, Frame frame) =>
        call.TargetMethod.Name.EndsWith("Range", StringComparison.Ordinal)
            ? owner.Wirings.Follow(added, frame)
            : owner.Registrations.Follow(added, frame);

    /// <summary>Whether <c>?.</c> decides nothing: a list is there, and a function that is null is known to be null.</summary>
    private static bool IsCertain(IOperation receiver) =>
        Operations.IsRegistrations(receiver.Type) || receiver.Type?.TypeKind == TypeKind.Delegate;

    /// <summary>The conditions under which a part of a statement runs; null if it never does.</summary>
    private List<Condition>? WithinExpression(IOperation part, IOperation statement, Frame frame)
    {
        List<Condition> path = [];
        for (IOperation current = part; current != statement && current.Parent is { } around; current = around)
        {
            (bool? Constant, Condition? Condition) runs = around switch
            {
                IConditionalOperation choice when choice.WhenTrue == current => owner.Conditions.Read(choice.Condition, frame),
                IConditionalOperation choice when choice.WhenFalse == current =>
                    ConditionReader.Not(owner.Conditions.Read(choice.Condition, frame)),
                IBinaryOperation { OperatorKind: BinaryOperatorKind.ConditionalAnd } both when both.RightOperand == current =>
                    owner.Conditions.Read(both.LeftOperand, frame),
                IBinaryOperation { OperatorKind: BinaryOperatorKind.ConditionalOr } either when either.RightOperand == current =>
                    ConditionReader.Not(owner.Conditions.Read(either.LeftOperand, frame)),
                ICoalesceOperation coalesce when coalesce.WhenNull == current => throw Unfollowable.Unknown(coalesce, "the condition"),
                ISwitchExpressionArmOperation arm => throw Unfollowable.Unknown(arm, "the condition"),
                IConditionalAccessOperation access when access.WhenNotNull == current && !IsCertain(access.Operation) =>
                    (null, ConditionReader.Unknown(access, frame)),
                _ => (true, null),
            };
            if (runs.Constant == false)
            {
                return null;
            }

            if (runs.Condition is { } holds)
            {
                path.Insert(0, holds);
            }
        }

        return path;
    }
}
