using Junctivor.Graph;

namespace Junctivor.Checks;

/// <summary>JV502: what is resolved from a scope or container by hand, no check can see.</summary>
internal sealed class TakesScopeRule : NodeRule
{
    protected override bool Concerns(Node node) => node.Has(BindingKinds.Container | BindingKinds.Scope);

    public override IEnumerable<Fault> Inspect(ServiceGraph graph, IReadOnlyCollection<Node> nodes) =>
        from dependency in DependencyReader.NotMetByOne(nodes)
        let form = dependency.Bindings.OfType<Binding.Ambient>().FirstOrDefault()?.Form
        where form == AmbientForm.Container || (form == AmbientForm.Scope && dependency.Consumer.Level != Level.Singleton)
        select new Fault(FaultKind.TakesScope)
        {
            Summary = $"{dependency.Consumer.Name} takes {dependency.Parameter.Type.Name}, so the services that it resolves from it cannot be checked",
            Path = new FaultPath(graph).Node(dependency.Consumer).Dependency(dependency, "", 1).Path,
            Fixes =
            [
                new Fix("take the required services as parameters", null, Edits.TakeResolved(dependency))
                {
                    ByHandBecause = ByHand.EarlierThen,
                },
                Accepting(dependency.Consumer, RegistrationText.Accept(FaultKind.TakesScope, "The types are known only at run time.")),
            ],
            Candidates = [dependency.Consumer.Name],
            Order = dependency.Consumer.Order,
        };

    private static Fix Accepting(Node consumer, string accept) =>
        new("if the types are known only at run time, add to its registration", accept, Edits.Append(consumer, accept))
        {
            ByHandBecause = ByHand.WhetherMeant,
        };
}
