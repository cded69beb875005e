using Junctivor.Graph;

namespace Junctivor.Checks;

/// <summary>JV506: a function or a fresh scope of something that lives as long as the container: nothing new comes out of it.</summary>
internal sealed class NotFreshRule : NodeRule
{
    protected override bool Concerns(Node node) => node.Has(BindingKinds.Function | BindingKinds.FreshScope);

    public override IEnumerable<Fault> Inspect(ServiceGraph graph, IReadOnlyCollection<Node> nodes) =>
        from dependency in DependencyReader.NotMetByOne(nodes)
        let binding = dependency.Binding as Binding.Deferred
        where binding is { Form: { KeepsFirst: false, TakesArguments: false }, Inner: Binding.Single }
        let shared = ((Binding.Single)binding.Inner).Node
        where shared.Level == Level.Singleton && !shared.Has(RegistrationFlags.SuppliedLater) && !IsInCycle(dependency.Consumer, shared)
        select Found(graph, dependency, binding, shared);

    /// <summary>Whether the function breaks a dependency cycle; then it is there for that.</summary>
    private static bool IsInCycle(Node consumer, Node shared) => ServiceGraph.Walk([shared]).Contains(consumer);

    private static Fault Found(ServiceGraph graph, Dependency dependency, Binding.Deferred binding, Node shared)
    {
        Node consumer = dependency.Consumer;
        string parameter = RegistrationText.Parameter(dependency.Parameter.Mark, binding.Wanted.Name, dependency.Parameter.Name);
        string accept =
            RegistrationText.Accept(FaultKind.NotFresh, $"{consumer.Name} must not create {binding.Wanted.Name} at its own construction.");
        string each = binding.Form.StartsScope ? "each scope has" : "each call returns";
        return new Fault(FaultKind.NotFresh)
        {
            Summary = $"{consumer.Name} takes {dependency.Parameter.Type.Name}, but {binding.Wanted.Name} is a singleton",
            Path = new FaultPath(graph).Node(consumer).Dependency(dependency, shared, 1).Path,
            Remarks = [$"It is shared by all: {each} the same instance."],
            Fixes =
            [
                new Fix("take it directly", parameter, Edits.Take(dependency, parameter)) { ByHandBecause = ByHand.EarlierThen },
                new Fix("if it must be created later than its consumer, add this to the consumer's registration", accept,
                    Edits.Append(consumer, accept))
                {
                    ByHandBecause = ByHand.WhetherMeant,
                },
            ],
            Candidates = [consumer.Name, shared.Name],
            Order = consumer.Order,
            Subject = new FaultSubject.OfParameter(consumer, dependency.Parameter.Name),
        };
    }
}
