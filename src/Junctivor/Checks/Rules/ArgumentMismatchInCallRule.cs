using Junctivor.Graph;

namespace Junctivor.Checks;

/// <summary>JV106: a function is resolved with an argument that no parameter takes.</summary>
internal sealed class ArgumentMismatchInCallRule : NodeRule
{
    protected override bool Concerns(Node node) => node.Has(BindingKinds.Untaken);

    public override IEnumerable<Fault> Inspect(ServiceGraph graph, IReadOnlyCollection<Node> nodes) =>
        from dependency in DependencyReader.NotMetByOne(nodes)
        from binding in dependency.Bindings.OfType<Binding.Untaken>()
        select ArgumentMismatchRule.Untaken(
            binding, new FaultPath(graph).Node(dependency.Consumer).Dependency(dependency, "", 1).Path) with
        { Order = dependency.Consumer.Order };
}
