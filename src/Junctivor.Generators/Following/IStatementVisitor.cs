using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.Operations;

namespace Junctivor.Generators.Following;

/// <summary>A search in the statements of a body.</summary>
internal interface IStatementVisitor
{
    /// <summary>Whether it has been found.</summary>
    bool IsDone { get; }

    /// <summary>Whether an operation contains something that counts.</summary>
    bool Matters(IOperation operation);

    /// <summary>Called for the parts that run, in order.</summary>
    /// <param name="operation">A simple statement, or an expression of a larger one.</param>
    /// <param name="frame">The evaluation.</param>
    /// <param name="path">The conditions under which it runs.</param>
    void Reach(IOperation operation, Frame frame, IReadOnlyList<Condition> path);

    /// <summary>Called for a loop that contains the place searched for: other code of the loop may run before or after it.</summary>
    /// <param name="loop">The loop.</param>
    /// <param name="frame">The evaluation.</param>
    /// <param name="path">The conditions under which it runs.</param>
    /// <returns>Whether the loop is done with.</returns>
    bool ReachLoop(ILoopOperation loop, Frame frame, IReadOnlyList<Condition> path);
}
