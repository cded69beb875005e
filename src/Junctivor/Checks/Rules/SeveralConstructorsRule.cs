using Junctivor.Graph;

namespace Junctivor.Checks;

/// <summary>JV103: several public constructors, and none, or more than one, is chosen.</summary>
internal sealed class SeveralConstructorsRule : IRule
{
    public IEnumerable<Fault> Inspect(ServiceGraph graph, IReadOnlyCollection<Node> nodes)
    {
        foreach (Node node in nodes.Where(node => node.Constructors.Count > 1 && node.ChosenConstructor is null))
        {
            int chosen = node.Constructors.Count(constructor => constructor.IsChosen);
            Steps steps = new Steps(graph).Node(node);
            foreach (Constructor constructor in node.Constructors)
            {
                steps.Line($"{node.Made.Name}({constructor})", depth: 1);
            }

            Constructor richest = node.Constructors.OrderByDescending(constructor => constructor.Parameters.Count).First();
            yield return new Fault
            {
                Code = "JV103",
                Name = "several-constructors",
                Summary = chosen == 0
                    ? $"{node.Made.Name} has {node.Constructors.Count} public constructors, and none carries [Inject]"
                    : $"{node.Made.Name} has [Inject] on {chosen} of its constructors",
                Path = steps.Path,
                Cures =
                [
                    chosen == 0 ? "put [Inject] on the one to call" : "leave [Inject] on one of them only",
                    $"say it where it is registered: {RegistrationText.Factory(node, richest)}",
                ],
                Candidates = [.. node.Constructors.Select(constructor => $"{node.Made.Name}({constructor})")],
                Order = node.Order,
            };
        }
    }
}
