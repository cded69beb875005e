using Junctivor.Graph;

namespace Junctivor.Checks;

/// <summary>JV301, for the scope itself: a singleton takes one.</summary>
internal sealed class CaptiveScopeRule : NodeRule
{
    protected override bool Concerns(Node node) => node.Level == Level.Singleton && node.Has(BindingKinds.Scope);

    public override IEnumerable<Fault> Inspect(ServiceGraph graph, IReadOnlyCollection<Node> nodes) =>
        from dependency in DependencyReader.NotMetByOne(nodes)
        let node = dependency.Consumer
        where node.Level == Level.Singleton && dependency.Takes(AmbientForm.Scope)
        select new Fault(FaultKind.Captive)
        {
            Summary = $"{node.Name} (singleton) holds the scope that first resolves it",
            Path = new FaultPath(graph).Node(node).Dependency(dependency, "scoped", 1).Path,
            Remarks = ["That scope is disposed with its request, message or job, and the singleton would keep using it."],
            Fixes =
            [
                new Fix("start a scope for each unit of work, and change the parameter to",
                    RegistrationText.Parameter(null, "Container", dependency.Parameter.Name)),
                new Fix(
                    $"give {node.Name} the lifetime of the scope; each scope then creates its own",
                    RegistrationText.Again(node, Level.Scoped),
                    Edits.Lifetime(node, Level.Scoped))
                {
                    ChangesBehavior = true,
                },
            ],
            Candidates = [node.Name],
            Order = node.Order,
        };
}
