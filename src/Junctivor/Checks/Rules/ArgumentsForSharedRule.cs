using Junctivor.Graph;

namespace Junctivor.Checks;

/// <summary>JV109: a function with arguments is asked for, of something that is made once for all.</summary>
internal sealed class ArgumentsForSharedRule : IRule
{
    public IEnumerable<Fault> Inspect(ServiceGraph graph, IReadOnlyCollection<Node> nodes) =>
        from need in Needs.NotMetByOne(nodes)
        from supply in need.Supplies.OfType<Supply.SharedWithArguments>()
        let path = new Steps(graph).Node(need.Consumer).Need(need, supply.Node, 1).Path
        select DoesNotApplyRule.SharedWithArguments(supply.Node, path) with { Order = need.Consumer.Order };
}
