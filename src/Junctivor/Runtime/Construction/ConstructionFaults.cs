using Junctivor.Checks;
using Junctivor.Graph;

namespace Junctivor.Runtime;

/// <summary>The exceptions for what cannot be resolved where it is resolved, with the path to it.</summary>
internal readonly struct ConstructionFaults(ConstructionPath path)
{
    /// <summary>Resolved outside the scope or level that it lives in.</summary>
    /// <param name="plan">The resolved service.</param>
    /// <param name="parameter">The parameter that requires it.</param>
    /// <param name="requested">The container or scope.</param>
    /// <param name="maker">The class whose constructor or factory resolved it; null for none.</param>
    public ResolveException OutsideScope(Plan plan, string? parameter, Resolver requested, string? maker)
    {
        (Node node, IReadOnlyList<FaultStep> steps) = (plan.Node!, path.To(plan, parameter));
        return new ResolveException(node.Level.IsUsersOwn
            ? LevelOutOfPlaceFaults.OutsideLevel(node, steps, requested.Description)
            : requested.Plans.Read(graph => ScopedOutsideScopeFaults.OutsideScope(graph, node, steps, requested.Description, maker)));
    }

    /// <summary>A declared value that was not supplied.</summary>
    public ResolveException NotSupplied(Plan plan, string? parameter)
    {
        RequestCall? call = RequestCall.Find();
        return new ResolveException(NotSuppliedFaults.InScope(plan.Node!, path.To(plan, parameter), call?.Type, call?.Method));
    }

    /// <summary>The scope itself, resolved outside one.</summary>
    /// <param name="taker">What takes the scope; null for a call from outside.</param>
    /// <param name="home">Where it is resolved.</param>
    public ResolveException NoScope(Node? taker, Resolver home)
    {
        if (taker is null)
        {
            return new ResolveException(ScopedOutsideScopeFaults.NoScope(home.Description));
        }

        IReadOnlyList<FaultStep> here = path.Here;
        return new ResolveException(home.Plans.Read(graph => ScopedOutsideScopeFaults.TakesScope(graph, taker, here, home.Description)));
    }

    /// <summary>The result of an asynchronous factory that was not awaited.</summary>
    public ResolveException NotReady(Plan plan, string? parameter) =>
        new(AsyncNotReadyFaults.NotReady(plan.Node!, path.To(plan, parameter)));

    /// <summary>A dependency cycle that this thread has closed.</summary>
    public ResolveException Cycle(Plan plan, string? parameter, Resolver home) =>
        new(CycleRule.AtRunTime(path.Cycle(plan, parameter, home)));

    /// <summary>A dependency cycle through user code, without end.</summary>
    public ResolveException EndlessCycle(Plan plan) => new(CycleRule.AtRunTime(path.LastCycle(plan)));
}
