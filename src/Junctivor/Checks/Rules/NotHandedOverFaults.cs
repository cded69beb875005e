using Junctivor.Graph;

namespace Junctivor.Checks;

/// <summary>JV105: a value that the wiring promises, and that was not handed over.</summary>
internal static class NotHandedOverFaults
{
    /// <summary>Values for the container that its start did not bring.</summary>
    public static IEnumerable<Fault> AtBuild(ServiceGraph graph, Func<Node, bool> isHandedOver) =>
        graph.Nodes
            .Where(node => node.Kind == NodeKind.Incoming && node.Level == Level.Singleton && !node.Endings.IsLate && !isHandedOver(node))
            .Select(node => Found(node, new Steps(graph).Node(node).Path, "given to Build"));

    /// <summary>A value that something on the way needs, and that no scope around it has.</summary>
    public static Fault InScope(Node node, IReadOnlyList<FaultStep> path) => Found(node, path, "handed over to this scope");

    private static Fault Found(Node node, IReadOnlyList<FaultStep> path, string when) => new()
    {
        Kind = FaultKind.NotHandedOver,
        Summary = $"{node.Name} is promised, and was not {when}",
        Path = path,
        Cures = [node.Endings.IsLate
            ? new Cure("hand it over before it is asked for", $"container.HandOver<{node.Services[0].Name}>(…);")
            : new Cure("hand it over", StartCalls.HandingOver(node))],
        Candidates = [node.Name],
        Order = node.Order,
    };
}
