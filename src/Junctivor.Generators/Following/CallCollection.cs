using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.Operations;

namespace Junctivor.Generators.Following;

/// <summary>Collects the calls of some methods that run before something is used.</summary>
/// <param name="calls">The calls.</param>
/// <param name="until">Where it is used.</param>
internal sealed class CallCollection(IReadOnlyList<IInvocationOperation> calls, IOperation until) : IStatementVisitor
{
    private readonly List<ObjectCall> _run = [];

    public IReadOnlyList<ObjectCall> Run => _run;

    public bool IsDone { get; private set; }

    public bool Matters(IOperation operation) => Operations.Contains(operation, until) || Within(operation).Any();

    public void Reach(IOperation operation, Frame frame, IReadOnlyList<Condition> path)
    {
        IsDone = Operations.Contains(operation, until);
        foreach (IInvocationOperation call in Within(operation).OrderBy(call => call.Syntax.Span.End))
        {
            if (!IsDone || call.Syntax.Span.End <= until.Syntax.SpanStart)
            {
                _run.Add(IsPlain(call, operation)
                    ? new ObjectCall(call, frame, [.. path])
                    : throw Unfollowable.Unknown(call, "when the call runs"));
            }
        }
    }

    public bool ReachLoop(ILoopOperation loop, Frame frame, IReadOnlyList<Condition> path) =>
        Operations.Contains(loop, until) && Within(loop).Any()
            ? throw Unfollowable.Unknown(Within(loop).First(), "when the call runs")
            : IsDone = Operations.Contains(loop, until);

    private IEnumerable<IInvocationOperation> Within(IOperation operation) => calls.Where(call => Operations.Contains(operation, call));

    /// <summary>Whether a call runs whenever its statement does.</summary>
    private static bool IsPlain(IOperation call, IOperation statement)
    {
        for (IOperation? around = call.Parent; around is not null && around != statement; around = around.Parent)
        {
            if (around is IConditionalOperation or IBinaryOperation or ICoalesceOperation or ISwitchExpressionOperation
                or IConditionalAccessOperation or IAnonymousFunctionOperation or ILocalFunctionOperation)
            {
                return false;
            }
        }

        return true;
    }
}
