using System.Diagnostics.CodeAnalysis;
using Junctivor.Checks;

namespace Junctivor.Runtime;

/// <summary>
/// Knows which thread waits for which claim, so that two threads that would wait for each other are told of it instead.
/// Reached only where a thread has to wait.
/// </summary>
internal static class WaitGraph
{
    private static readonly Lock Gate = new();
    private static readonly Dictionary<int, Waiting> ByThread = [];

    /// <summary>Waits until the claim is over.</summary>
    /// <param name="claim">What another thread is making.</param>
    /// <param name="path">How this thread came to want it.</param>
    /// <param name="limit">For how long it waits.</param>
    /// <param name="cycle">The steps that close the cycle, where waiting would never end.</param>
    /// <returns>False if waiting would never end; then it does not wait.</returns>
    /// <exception cref="ConstructionTimeoutException">It took longer.</exception>
    public static bool TryWait(
        Claim claim, IReadOnlyList<FaultStep> path, TimeSpan limit, [NotNullWhen(false)] out IReadOnlyList<FaultStep>? cycle)
    {
        int me = ControlFlow.Id;
        lock (Gate)
        {
            cycle = CycleThrough(claim, me, path);
            if (cycle is not null)
            {
                return false;
            }

            ByThread[me] = new Waiting(claim, path);
        }

        try
        {
            return claim.Wait(limit)
                ? true
                : throw new ConstructionTimeoutException(claim.Plan.Node!.Name, limit, [.. path.Select(step => step.Name)]);
        }
        finally
        {
            lock (Gate)
            {
                ByThread.Remove(me);
            }
        }
    }

    private static List<FaultStep>? CycleThrough(Claim claim, int me, IReadOnlyList<FaultStep> path)
    {
        List<FaultStep> steps = [.. path];

        // A claim that is over keeps nobody waiting: whoever waited for it is about to wake up.
        while (!claim.IsOver && ByThread.TryGetValue(claim.Owner, out Waiting? other))
        {
            steps.AddRange(other.Way);
            claim = other.For;
            if (claim.Owner == me && !claim.IsOver)
            {
                return steps;
            }
        }

        return null;
    }

    private sealed record Waiting(Claim For, IReadOnlyList<FaultStep> Way);
}
