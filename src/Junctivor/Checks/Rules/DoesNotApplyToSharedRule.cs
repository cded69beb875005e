using Junctivor.Graph;

namespace Junctivor.Checks;

/// <summary>JV109: a function with arguments is requested, of something that is created once for all.</summary>
internal sealed class DoesNotApplyToSharedRule : IRule
{
    public IEnumerable<Fault> Inspect(ServiceGraph graph, IReadOnlyCollection<Node> nodes) =>
        from need in DependencyReader.NotMetByOne(nodes)
        from supply in need.Bindings.OfType<Binding.SharedWithArguments>()
        let path = new FaultPath(graph).Node(need.Consumer).Dependency(need, supply.Node, 1).Path
        select DoesNotApplyRule.SharedWithArguments(supply.Node, path) with { Order = need.Consumer.Order };
}
