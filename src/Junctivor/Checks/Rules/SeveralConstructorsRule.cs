using Junctivor.Graph;

namespace Junctivor.Checks;

/// <summary>JV103: several public constructors, and none, or more than one, is chosen.</summary>
internal sealed class SeveralConstructorsRule : NodeRule
{
    protected override bool Concerns(Node node) => node.Constructors.Length > 1 && node.ChosenConstructor is null;

    public override IEnumerable<Fault> Inspect(ServiceGraph graph, IReadOnlyCollection<Node> nodes) =>
        nodes.Where(node => node.Constructors.Length > 1 && node.ChosenConstructor is null).Select(node => Found(graph, node));

    private static Fault Found(ServiceGraph graph, Node node)
    {
        int chosen = node.Constructors.Count(constructor => constructor.IsChosen);
        FaultPath steps = new FaultPath(graph).Node(node);
        foreach (Constructor constructor in node.Constructors)
        {
            steps.Line($"{node.Implementation.Name}({constructor})", depth: 1);
        }

        Constructor likeliest = node.Constructors
            .OrderBy(constructor => constructor.Parameters.Count(parameter => !graph.CanMeet(node, parameter)))
            .ThenByDescending(constructor => constructor.Parameters.Length)
            .First();
        return new Fault(FaultKind.SeveralConstructors)
        {
            Summary = chosen == 0
                ? $"{node.Implementation.Name} has {node.Constructors.Length} public constructors, and none has [Inject]"
                : $"{node.Implementation.Name} has [Inject] on {chosen} of its constructors",
            Path = steps.Path,
            Fixes =
            [
                chosen == 0
                    ? new Fix(
                        "put [Inject] on the one to call",
                        $"[Inject] public {RegistrationText.Declaration(node, likeliest)}",
                        Edits.Attribute(node, likeliest, "[Inject]"))
                    {
                        ByHandBecause = ByHand.WhichIsMeant,
                    }
                    : new Fix("keep [Inject] on only one of them"),
                new Fix(
                    "if the class cannot be changed, register a factory",
                    RegistrationText.Factory(node, likeliest),
                    chosen == 0 ? Edits.Start(node, RegistrationText.Factory(node, likeliest)) : [])
                {
                    ByHandBecause = ByHand.WhichIsMeant,
                },
            ],
            Candidates = [.. node.Constructors.Select(constructor => $"{node.Implementation.Name}({constructor})")],
            Order = node.Order,
            Subject = new FaultSubject.OfConstructor(
                node,
                Array.IndexOf(node.Constructors, chosen == 0 ? likeliest : node.Constructors.Last(constructor => constructor.IsChosen))),
        };
    }
}
