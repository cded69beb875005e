using Junctivor.Graph;

namespace Junctivor.Checks;

/// <summary>JV109: a function with arguments is required, of something that is created once for all.</summary>
internal sealed class DoesNotApplyToSharedRule : NodeRule
{
    protected override bool Concerns(Node node) => node.Has(BindingKinds.SharedWithArguments);

    public override IEnumerable<Fault> Inspect(ServiceGraph graph, IReadOnlyCollection<Node> nodes) =>
        from dependency in DependencyReader.NotMetByOne(nodes)
        from binding in dependency.Bindings.OfType<Binding.SharedWithArguments>()
        let path = new FaultPath(graph).Node(dependency.Consumer).Dependency(dependency, binding.Node, 1).Path
        select DoesNotApplyRule.SharedWithArguments(binding.Node, path) with { Order = dependency.Consumer.Order };
}
