using Junctivor.Graph;

namespace Junctivor.Checks;

/// <summary>JV306: something shared takes the class that asks, of which there is not one but many.</summary>
internal sealed class ConsumingClassSharedRule : NodeRule
{
    protected override bool Concerns(Node node) => !node.Level.IsTransient && node.Has(BindingKinds.ConsumingClass);

    public override IEnumerable<Fault> Inspect(ServiceGraph graph, IReadOnlyCollection<Node> nodes) =>
        from dependency in DependencyReader.NotMetByOne(nodes)
        let node = dependency.Consumer
        where !node.Level.IsTransient && dependency.Takes(AmbientForm.ConsumingClass)
        select new Fault(FaultKind.ConsumingClassShared)
        {
            Summary = $"{node.Name} ({node.Level}) takes its consuming class, but is shared by several consumers",
            Path = new FaultPath(graph).Node(node).Dependency(dependency, "", 1).Path,
            Remarks = ["It would keep the class of its first consumer."],
            Fixes = [new Fix(
                "make it transient, so that each consumer gets its own",
                node.Kind == NodeKind.Class
                    ? RegistrationText.OfClass(Level.Transient, node.Services[0], node.Implementation)
                    : "Transient.From(…)",
                Edits.Lifetime(node, Level.Transient))
            {
                ByHandBecause = ByHand.Anew(node.Implementation),
            }],
            Candidates = [node.Name],
            Order = node.Order,
        };
}
