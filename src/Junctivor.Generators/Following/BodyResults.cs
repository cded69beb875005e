using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.Operations;

namespace Junctivor.Generators.Following;

/// <summary>Collects the results of a body, each with the conditions under which it is returned.</summary>
internal sealed class BodyResults : IStatementVisitor
{
    private readonly List<SequenceElement> _results = [];

    /// <summary>The results, in the order of the source.</summary>
    public IReadOnlyList<SequenceElement> Results => _results;

    /// <summary>Whether they are the elements of one sequence, and not one of them the result.</summary>
    public bool AreElements { get; private set; }

    public bool IsDone => false;

    public bool Matters(IOperation operation) =>
        operation.DescendantsAndSelf().OfType<IReturnOperation>().Any(each => each.ReturnedValue is not null && !IsInner(each, operation));

    public void Reach(IOperation operation, Frame frame, IReadOnlyList<Condition> path)
    {
        if (operation is IReturnOperation { ReturnedValue: { } value } returned)
        {
            AreElements |= returned.Kind == OperationKind.YieldReturn;
            _results.Add(new SequenceElement(value, frame, path));
        }
    }

    public bool ReachLoop(ILoopOperation loop, Frame frame, IReadOnlyList<Condition> path) =>
        loop.Descendants().OfType<IReturnOperation>().Any(each => each.Kind == OperationKind.Return && !IsInner(each, loop))
            ? throw Unfollowable.LeftLoop(loop)
            : false;

    /// <summary>Whether a function of its own returns there.</summary>
    private static bool IsInner(IReturnOperation returned, IOperation operation)
    {
        for (IOperation? around = returned.Parent; around is not null && around != operation.Parent; around = around.Parent)
        {
            if (around is IAnonymousFunctionOperation or ILocalFunctionOperation)
            {
                return true;
            }
        }

        return false;
    }
}
