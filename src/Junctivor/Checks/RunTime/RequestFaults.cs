using Junctivor.Graph;

namespace Junctivor.Checks;

/// <summary>What is said where somebody asks at run time, and by no parameter, for what cannot be had.</summary>
internal static class RequestFaults
{
    /// <summary>The fault of a supply; null if it is met.</summary>
    public static Fault? Of(ServiceGraph graph, Binding binding, ServiceId requested) => binding switch
    {
        Binding.Ambiguous ambiguous => AmbiguousRule.Requested(graph, ambiguous),
        Binding.Missing { Unfitting.Count: > 0 } missing => GenericConstraintRule.Requested(graph, missing),
        Binding.Missing missing => MissingRule.Requested(graph, missing.Service),
        Binding.Untaken untaken => ArgumentMismatchRule.Untaken(untaken, new FaultPath(graph).Line(requested.ToString()).Path),
        Binding.SharedWithArguments shared =>
            DoesNotApplyRule.SharedWithArguments(shared.Node, new FaultPath(graph).Node(shared.Node).Path),
        _ => null,
    };
}
