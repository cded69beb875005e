using Junctivor.Graph;

namespace Junctivor.Checks;

/// <summary>JV301, for the scope itself: a singleton takes one.</summary>
internal sealed class CaptiveScopeRule : IRule
{
    public IEnumerable<Fault> Inspect(ServiceGraph graph, IReadOnlyCollection<Node> nodes) =>
        from need in DependencyReader.NotMetByOne(nodes)
        let node = need.Consumer
        where node.Level == Level.Singleton && need.Bindings.Any(supply => supply is Binding.Ambient { Form: AmbientForm.Scope })
        select new Fault
        {
            Kind = FaultKind.Captive,
            Summary = $"{node.Name} (singleton) holds the scope that it is first asked for in",
            Path = new FaultPath(graph).Node(node).Dependency(need, "scoped", 1).Path,
            Remarks = ["That scope ends with its request, message or job, and the singleton would go on asking it."],
            Fixes =
            [
                new Fix("start a scope for each piece of work, and take", RegistrationText.Parameter(null, "Container", need.Parameter.Name)),
                new Fix($"let {node.Name} live no longer than the scope", RegistrationText.Again(node, Level.Scoped)),
            ],
            Candidates = [node.Name],
            Order = node.Order,
        };
}
