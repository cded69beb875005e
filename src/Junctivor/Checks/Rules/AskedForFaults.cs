using Junctivor.Graph;

namespace Junctivor.Checks;

/// <summary>What is said where somebody asks at run time, and by no parameter, for what cannot be had.</summary>
internal static class AskedForFaults
{
    /// <summary>The fault of a supply; null where it is met.</summary>
    public static Fault? Of(ServiceGraph graph, Supply supply, ServiceId asked) => supply switch
    {
        Supply.Ambiguous ambiguous => AmbiguousRule.AskedFor(graph, ambiguous),
        Supply.Missing { Unfitting.Count: > 0 } missing => GenericConstraintRule.AskedFor(graph, missing),
        Supply.Missing missing => MissingRule.AskedFor(graph, missing.Service),
        Supply.Untaken untaken => ArgumentRule.Untaken(untaken, new Steps(graph).Line(asked.ToString()).Path),
        Supply.SharedWithArguments shared => DoesNotApplyRule.SharedWithArguments(shared.Node, new Steps(graph).Node(shared.Node).Path),
        _ => null,
    };
}
