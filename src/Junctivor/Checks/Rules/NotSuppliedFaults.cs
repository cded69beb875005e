using Junctivor.Graph;

namespace Junctivor.Checks;

/// <summary>JV105: a value that the wiring declares, and that was not supplied.</summary>
internal static class NotSuppliedFaults
{
    /// <summary>Values for the container that its start did not bring.</summary>
    public static IEnumerable<Fault> AtBuild(ServiceGraph graph, Func<Node, bool> isHandedOver) =>
        graph.Nodes
            .Where(node => node.Kind == NodeKind.Incoming
                && node.Level == Level.Singleton
                && !node.Options.IsSuppliedLater
                && !isHandedOver(node))
            .Select(node => Found(node, new FaultPath(graph).Node(node).Path, "supplied to Build"));

    /// <summary>A value that something on the way needs, and that no scope around it has.</summary>
    public static Fault InScope(Node node, IReadOnlyList<FaultStep> path) => Found(node, path, "supplied to this scope");

    private static Fault Found(Node node, IReadOnlyList<FaultStep> path, string when) => new(FaultKind.NotSupplied)
    {
        Summary = $"{node.Name} is declared, but was not {when}",
        Path = path,
        Fixes = [node.Options.IsSuppliedLater
            ? new Fix("supply it before the first request", $"container.Supply<{node.Services[0].Name}>(…);")
            : new Fix("supply it", StartCallText.Supplying(node))],
        Candidates = [node.Name],
        Order = node.Order,
    };
}
