using Junctivor.Graph;

namespace Junctivor.Checks;

/// <summary>JV109: something was written that means nothing where it stands; and what is said of arguments for something shared.</summary>
internal sealed class DoesNotApplyRule : NodeRule
{
    protected override bool Concerns(Node node) => node.Options.Meaningless.Count > 0;

    public override IEnumerable<Fault> Inspect(ServiceGraph graph, IReadOnlyCollection<Node> nodes) =>
        nodes.Where(node => node.Options.Meaningless.Count > 0)
            .SelectMany(node => node.Options.Meaningless.Select(idle => Found(graph, node, idle)));

    private static Fault Found(ServiceGraph graph, Node node, MeaninglessOption idle) =>
        Found(
            $"{node.Name}: {idle.Reason}",
            new FaultPath(graph).Node(node).Path,
            new Fix("remove it", null, idle.Option is { } option ? Edits.RemoveOption(node, option, idle.Naming) : [])
            {
                // An acceptance only speaks of a fault; any other option was written for something that then does not happen.
                ByHandBecause = idle.Option == OptionNames.Accept ? null : ByHand.WhetherMeant,
            },
            node) with
        {
            Subject = idle.Option is { } written ? new FaultSubject.OfOption(node, written, idle.Naming) : null,
        };

    public static Fault SharedWithArguments(Node node, IReadOnlyList<FaultStep> path) => Found(
        $"{node.Name} ({node.Lifetime}) is resolved with arguments, but has one shared instance",
        path,
        new Fix($"take {node.Name} without arguments, or make it transient", RegistrationText.Again(node, Level.Transient),
            Edits.Lifetime(node, Level.Transient))
        {
            ByHandBecause = ByHand.Anew(node.Implementation),
        },
        node);

    private static Fault Found(string summary, IReadOnlyList<FaultStep> path, Fix fix, Node node) => new(FaultKind.DoesNotApply)
    {
        Summary = summary,
        Path = path,
        Fixes = [fix],
        Candidates = [node.Name],
        Order = node.Order,
    };
}
