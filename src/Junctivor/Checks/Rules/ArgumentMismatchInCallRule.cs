using Junctivor.Graph;

namespace Junctivor.Checks;

/// <summary>JV106: a function is requested with an argument that no parameter takes.</summary>
internal sealed class ArgumentMismatchInCallRule : IRule
{
    public IEnumerable<Fault> Inspect(ServiceGraph graph, IReadOnlyCollection<Node> nodes) =>
        from need in DependencyReader.NotMetByOne(nodes)
        from supply in need.Bindings.OfType<Binding.Untaken>()
        select ArgumentMismatchRule.Untaken(
            supply, new FaultPath(graph).Node(need.Consumer).Dependency(need, "", 1).Path) with
        { Order = need.Consumer.Order };
}
