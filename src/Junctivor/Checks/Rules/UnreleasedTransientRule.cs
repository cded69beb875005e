using Junctivor.Graph;

namespace Junctivor.Checks;

/// <summary>JV304: a disposable transient that a singleton creates again and again, and that ends only with the container.</summary>
internal sealed class UnreleasedTransientRule : NodeRule
{
    protected override bool Concerns(Node node) => node.Level == Level.Singleton && node.Has(BindingKinds.Function);

    public override IEnumerable<Fault> Inspect(ServiceGraph graph, IReadOnlyCollection<Node> nodes) =>
        from node in nodes
        where node.Level == Level.Singleton && !node.IsBoundToOne
        from edge in node.Edges
        where edge.By is { KeepsFirst: false }
        where edge.To.Level.IsTransient
            && edge.To.CreatesInstances
            && edge.To.Implementation.IsDisposable
            && edge.To.Options.IsOwned != false
        select new Fault(FaultKind.UnreleasedTransient)
        {
            Summary = $"{node.Name} (singleton) creates {edge.To.Name} with a function, and each instance lives as long as the container",
            Path = new FaultPath(graph).Chain([edge]).Path,
            Remarks = [$"{edge.To.Name} is disposable, and the container keeps each instance until its own disposal."],
            Fixes =
            [
                ForEachUnit(node, edge),
                new Fix(
                    $"dispose each instance yourself, and add to the registration of {edge.To.Name}",
                    OptionNames.Call(RegistrationFlags.LeaveUndisposed)),
            ],
            Candidates = [node.Name, edge.To.Name],
            Order = node.Order,
        };

    private static Fix ForEachUnit(Node node, Edge edge)
    {
        string fresh = RegistrationText.Parameter(
            edge.Dependency.Parameter.Mark, $"FreshScope<{edge.To.Services[0].Name}>", edge.Dependency.Parameter.Name);
        return new Fix(
            $"create one for each unit of work, disposed with its scope: in {node.Name}, take",
            fresh,
            edge.By is { TakesArguments: false } ? Edits.Take(edge.Dependency, fresh, edge.To) : []);
    }
}
