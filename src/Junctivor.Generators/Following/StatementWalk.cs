using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.CSharp;
using Microsoft.CodeAnalysis.CSharp.Syntax;
using Microsoft.CodeAnalysis.Operations;

namespace Junctivor.Generators.Following;

/// <summary>Visits the statements of a body in the order in which they run, each with the conditions under which it runs.</summary>
/// <param name="conditions">Reads conditions.</param>
/// <param name="sequences">Reads the sequences of loops.</param>
/// <param name="visitor">The search.</param>
internal sealed class StatementWalk(ConditionReader conditions, SequenceReader sequences, IStatementVisitor visitor)
{
    /// <exception cref="UnfollowableException">It is not known whether, or how often, something that counts runs.</exception>
    public Completion Run(IEnumerable<IOperation> statements, Frame frame, IReadOnlyList<Condition> path)
    {
        IReadOnlyList<Condition> further = [];
        Location? unclear = null;
        foreach (IOperation statement in statements)
        {
            if (unclear is not null && visitor.Matters(statement))
            {
                throw Unfollowable.SeveralWaysOut(unclear);
            }

            Completion completion = Run(statement, frame, [.. path, .. further]);
            if (visitor.IsDone || completion.When is null)
            {
                // Where something before it may have left the code, not every way ends with the exception.
                return completion.IsThrown && (further.Count > 0 || unclear is not null) ? Completion.Never : completion;
            }

            unclear ??= completion.Unclear;
            further = [.. further, .. completion.When];
        }

        return new Completion(further, Unclear: unclear);
    }

    private Completion Run(IOperation statement, Frame frame, IReadOnlyList<Condition> path)
    {
        if (!visitor.Matters(statement) && !CanLeave(statement.Syntax))
        {
            return Completion.Always;
        }

        switch (statement)
        {
            case IBlockOperation block:
                return Run(block.Operations, frame, path);
            case IConditionalOperation choice:
                return RunChoice(choice, frame, path);
            case ISwitchOperation cases:
                return RunCases(cases, frame, path);
            case IForEachLoopOperation loop:
                return RunRounds(loop, frame, path);
            case ILoopOperation loop:
                return RunLoop(loop, frame, path);
            case ITryOperation attempt:
                return RunAttempt(attempt, frame, path);
            case IUsingOperation use:
                visitor.Reach(use.Resources, frame, path);
                return visitor.IsDone ? Completion.Always : Run(use.Body, frame, path);
            case ILockOperation locked:
                visitor.Reach(locked.LockedValue, frame, path);
                return visitor.IsDone ? Completion.Always : Run(locked.Body, frame, path);
            case ILabeledOperation or IBranchOperation { BranchKind: BranchKind.GoTo }:
                return visitor.Matters(statement)
                    ? throw Unfollowable.AddedInSomeRuns(Operations.LocationOf(statement))
                    : Completion.UnclearAt(statement);
            case IBranchOperation or IReturnOperation { Kind: OperationKind.YieldBreak }:
                return Completion.Never;
            case IReturnOperation { Kind: OperationKind.Return }:
                visitor.Reach(statement, frame, path);
                return Completion.Never;
            case var thrown when IsThrow(thrown):
                return Completion.Thrown;
            case ILocalFunctionOperation:
                return Completion.Always;
            default:
                if (HasStatements(statement.Syntax))
                {
                    throw Unfollowable.AddedInSomeRuns(Operations.LocationOf(statement));
                }

                visitor.Reach(statement, frame, path);
                return Completion.Always;
        }
    }

    private Completion RunChoice(IConditionalOperation choice, Frame frame, IReadOnlyList<Condition> path)
    {
        visitor.Reach(choice.Condition, frame, path);
        if (visitor.IsDone)
        {
            return Completion.Always;
        }

        (bool? Constant, Condition? Condition) read = conditions.Read(choice.Condition, frame);
        return read.Constant switch
        {
            true => Run(choice.WhenTrue, frame, path),
            false => choice.WhenFalse is { } otherwise ? Run(otherwise, frame, path) : Completion.Always,
            null => RunBoth(choice, read.Condition!, frame, path),
        };
    }

    private Completion RunBoth(IConditionalOperation choice, Condition holds, Frame frame, IReadOnlyList<Condition> path)
    {
        Completion then = Run(choice.WhenTrue, frame, [.. path, holds]);
        if (visitor.IsDone || choice.WhenFalse is null)
        {
            return visitor.IsDone ? Completion.Always : Merged(choice, then, holds, Completion.Always);
        }

        Completion otherwise = Run(choice.WhenFalse, frame, [.. path, holds.Negated]);
        return visitor.IsDone ? Completion.Always : Merged(choice, then, holds, otherwise);
    }

    private static Completion Merged(IOperation at, Completion then, Condition holds, Completion otherwise) => (then, otherwise) switch
    {
        ({ IsThrown: true }, _) => otherwise,
        (_, { IsThrown: true }) => then,
        ({ When: null }, { When: null }) => Completion.Never,
        ({ Unclear: not null }, _) or (_, { Unclear: not null }) => Completion.UnclearAt(at),
        ({ When: null }, { When: { } when }) => Completion.Under([holds.Negated, .. when]),
        ({ When: { } when }, { When: null }) => Completion.Under([holds, .. when]),
        ({ IsAlways: true }, { IsAlways: true }) => Completion.Always,
        _ => Completion.UnclearAt(at),
    };

    /// <summary>The cases in the order in which they are tried: each runs if none before it fits.</summary>
    private Completion RunCases(ISwitchOperation cases, Frame frame, IReadOnlyList<Condition> path)
    {
        visitor.Reach(cases.Value, frame, path);
        if (visitor.IsDone)
        {
            return Completion.Always;
        }

        List<Condition> before = [];
        List<Completion> completions = [];
        List<Condition> left = [];
        bool isLeftInOrder = true;
        foreach (ISwitchCaseOperation each in cases.Cases.OrderBy(IsDefault))
        {
            (bool? Constant, Condition? Condition) fits = IsDefault(each) ? (true, null) : Fits(each, cases.Value, frame);
            if (fits.Constant == false)
            {
                continue;
            }

            Completion completion = RunCase(
                cases, each, frame, [.. path, .. before, .. fits.Condition is { } holds ? [holds] : (Condition[])[]]);
            if (visitor.IsDone)
            {
                return Completion.Always;
            }

            completions.Add(completion);
            if (completion is { When: null, IsThrown: false } && fits.Condition is { } leaving)
            {
                left.Add(leaving.Negated);
                isLeftInOrder &= completions.Count == left.Count;
            }

            if (fits.Constant == true)
            {
                return Ended(cases, completions, left, isLeftInOrder, isWhole: true);
            }

            before.Add(fits.Condition!.Negated);
        }

        return Ended(cases, completions, left, isLeftInOrder, isWhole: false);
    }

    private static Completion Ended(
        ISwitchOperation cases, List<Completion> completions, List<Condition> left, bool isLeftInOrder, bool isWhole) =>
        completions.All(each => each.IsAlways || each.IsThrown)
            ? isWhole && completions.All(each => each.IsThrown) ? Completion.Thrown : Completion.Always
            : isWhole && completions.All(each => each.When is null) ? Completion.Never
            : completions.All(each => each.IsAlways || each.When is null)
                && isLeftInOrder
                && left.Count == completions.Count(each => each is { When: null, IsThrown: false })
                ? Completion.Under(left)
            : Completion.UnclearAt(cases);

    private static bool IsDefault(ISwitchCaseOperation each) => each.Clauses.Any(clause => clause is IDefaultCaseClauseOperation);

    private (bool? Constant, Condition? Condition) Fits(ISwitchCaseOperation each, IOperation value, Frame frame)
    {
        IReadOnlyList<(bool? Constant, Condition? Condition)> clauses = [.. each.Clauses.Select(clause => clause switch
        {
            ISingleValueCaseClauseOperation single => conditions.ReadEqual(value, single.Value, frame, single),
            IPatternCaseClauseOperation { Guard: null, Pattern: IConstantPatternOperation { Value: var constant } } pattern =>
                conditions.ReadEqual(value, constant, frame, pattern),
            _ => (null, ConditionReader.Unknown(clause, frame)),
        })];
        return clauses.Any(clause => clause.Constant == true) ? (true, null)
            : clauses.All(clause => clause.Constant == false) ? (false, null)
            : clauses.Where(clause => clause.Constant is null).ToList() is [var one] ? one
            : (null, ConditionReader.Unknown(each, frame));
    }

    private Completion RunCase(ISwitchOperation cases, ISwitchCaseOperation each, Frame frame, IReadOnlyList<Condition> path)
    {
        Completion completion = Run(each.Body, frame, path);
        IReadOnlyList<IBranchOperation> ends = [.. BranchesTo(cases.ExitLabel, each)];
        bool leaves = each.Body.Any(statement => CanLeave(statement.Syntax, cases.Syntax));
        return visitor.IsDone || completion.IsThrown ? completion
            : !leaves ? ends.Count == 0 ? completion : Completion.Always
            : ends.Count == 0 ? completion
            : Completion.UnclearAt(each);
    }

    private Completion RunRounds(IForEachLoopOperation loop, Frame frame, IReadOnlyList<Condition> path)
    {
        visitor.Reach(loop.Collection, frame, path);
        if (visitor.IsDone || visitor.ReachLoop(loop, frame, path))
        {
            return Completion.Always;
        }

        if (!visitor.Matters(loop.Body))
        {
            return Leaves(loop) ? Completion.UnclearAt(loop) : Completion.Always;
        }

        if (Leaves(loop) || HasBreak(loop))
        {
            throw Unfollowable.LeftLoop(loop);
        }

        foreach (SequenceElement element in sequences.ElementsOf(loop.Collection, frame))
        {
            Run(loop.Body, sequences.FrameOf(loop, element, frame), [.. path, .. element.Conditions]);
        }

        return Completion.Always;
    }

    private Completion RunLoop(ILoopOperation loop, Frame frame, IReadOnlyList<Condition> path) =>
        visitor.ReachLoop(loop, frame, path) ? Completion.Always
        : visitor.Matters(loop)
            ? throw Unfollowable.AddedInSomeRuns(Operations.LocationOf(loop))
        : Leaves(loop) ? Completion.UnclearAt(loop)
        : Completion.Always;

    private static bool HasBreak(ILoopOperation loop) => BranchesTo(loop.ExitLabel, loop.Body).Any();

    private static IEnumerable<IBranchOperation> BranchesTo(ILabelSymbol label, IOperation inside) =>
        inside.Descendants().OfType<IBranchOperation>().Where(branch => SymbolEqualityComparer.Default.Equals(branch.Target, label));

    /// <summary>Whether a loop can be left by something else than its end.</summary>
    private static bool Leaves(ILoopOperation loop) => CanLeave(loop.Body.Syntax, loop.Syntax);

    private Completion RunAttempt(ITryOperation attempt, Frame frame, IReadOnlyList<Condition> path)
    {
        Completion completion = Run(attempt.Body, frame, path);
        if (visitor.IsDone)
        {
            return Completion.Always;
        }

        foreach (ICatchClauseOperation caught in attempt.Catches)
        {
            bool isLeft = caught.Descendants().Any(each => each is IReturnOperation or IBranchOperation);
            if (!isLeft && IsThrow(caught.Handler.Operations.LastOrDefault()))
            {
                continue;
            }

            if (visitor.Matters(attempt.Body) || visitor.Matters(caught))
            {
                throw Unfollowable.AddedUnlessThrown(caught);
            }

            // After the exception the code goes on, even if the body is left in all other cases.
            completion = completion.IsAlways && !isLeft ? completion : Completion.UnclearAt(caught);
        }

        if (attempt.Finally is { } last)
        {
            Run(last, frame, path);
        }

        return completion;
    }

    /// <summary>Whether a statement can end the code around it.</summary>
    /// <param name="statement">The statement.</param>
    /// <param name="around">A loop or switch that it stands in: ending that, or going on with it, does not count.</param>
    private static bool CanLeave(SyntaxNode statement, SyntaxNode? around = null) =>
        statement.DescendantNodesAndSelf(node => node is not (AnonymousFunctionExpressionSyntax or LocalFunctionStatementSyntax))
            .Any(node => node switch
            {
                ReturnStatementSyntax or GotoStatementSyntax or LabeledStatementSyntax => true,
                ThrowStatementSyntax => around is null,
                YieldStatementSyntax => node.IsKind(SyntaxKind.YieldBreakStatement),
                BreakStatementSyntax => IsOutside(LeftBy(node, IsLoopOrSwitch), statement, around),
                ContinueStatementSyntax => IsOutside(LeftBy(node, IsLoop), statement, around),
                _ => false,
            });

    /// <summary>Whether a statement has others in it, so that it is not known how often these run.</summary>
    private static bool HasStatements(SyntaxNode statement) => statement
        .DescendantNodes(node => node is not (AnonymousFunctionExpressionSyntax or LocalFunctionStatementSyntax))
        .Any(node => node is StatementSyntax and not LocalFunctionStatementSyntax);

    private static bool IsThrow(IOperation? statement) =>
        statement is IThrowOperation or IExpressionStatementOperation { Operation: IThrowOperation };

    private static bool IsOutside(SyntaxNode? left, SyntaxNode statement, SyntaxNode? around) =>
        left is not null && (around is null ? !statement.Contains(left) : left != around && !around.Contains(left));

    private static SyntaxNode? LeftBy(SyntaxNode jump, Func<SyntaxNode, bool> isLeft) => jump.Ancestors().FirstOrDefault(isLeft);

    private static bool IsLoop(SyntaxNode node) =>
        node is ForStatementSyntax or CommonForEachStatementSyntax or WhileStatementSyntax or DoStatementSyntax;

    private static bool IsLoopOrSwitch(SyntaxNode node) => node is SwitchStatementSyntax || IsLoop(node);
}
