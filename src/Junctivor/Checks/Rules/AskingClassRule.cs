using Junctivor.Graph;

namespace Junctivor.Checks;

/// <summary>JV306: something shared takes the class that asks, of which there is not one but many.</summary>
internal sealed class AskingClassRule : IRule
{
    public IEnumerable<Fault> Inspect(ServiceGraph graph, IReadOnlyCollection<Node> nodes) =>
        from need in DependencyReader.NotMetByOne(nodes)
        let node = need.Consumer
        where !node.Level.IsTransient && need.Bindings.Any(supply => supply is Binding.Ambient { Form: AmbientForm.AskingClass })
        select new Fault
        {
            Kind = FaultKind.AskingClassShared,
            Summary = $"{node.Name} ({node.Level}) takes the class that asks for it, and is shared by several",
            Path = new FaultPath(graph).Node(node).Dependency(need, "", 1).Path,
            Remarks = ["It would keep the name of whoever asked first."],
            Fixes = [new Fix("make one for each that asks", node.Kind == NodeKind.Class ? RegistrationText.OfClass(Level.Transient, node.Services[0], node.Implementation) : "Transient.From(…)")],
            Candidates = [node.Name],
            Order = node.Order,
        };
}
