using Junctivor.Graph;

namespace Junctivor.Checks;

/// <summary>JV105: a value that the wiring promises, and that was not handed over.</summary>
internal static class NotSuppliedFaults
{
    /// <summary>Values for the container that its start did not bring.</summary>
    public static IEnumerable<Fault> AtBuild(ServiceGraph graph, Func<Node, bool> isHandedOver) =>
        graph.Nodes
            .Where(node => node.Kind == NodeKind.Incoming && node.Level == Level.Singleton && !node.Options.IsSuppliedLater && !isHandedOver(node))
            .Select(node => Found(node, new FaultPath(graph).Node(node).Path, "given to Build"));

    /// <summary>A value that something on the way needs, and that no scope around it has.</summary>
    public static Fault InScope(Node node, IReadOnlyList<FaultStep> path) => Found(node, path, "handed over to this scope");

    private static Fault Found(Node node, IReadOnlyList<FaultStep> path, string when) => new()
    {
        Kind = FaultKind.NotSupplied,
        Summary = $"{node.Name} is promised, and was not {when}",
        Path = path,
        Fixes = [node.Options.IsSuppliedLater
            ? new Fix("hand it over before it is asked for", $"container.Supply<{node.Services[0].Name}>(…);")
            : new Fix("hand it over", StartCallText.HandingOver(node))],
        Candidates = [node.Name],
        Order = node.Order,
    };
}
