using Junctivor.Graph;

namespace Junctivor.Checks;

/// <summary>JV105: a value that the wiring declares, and that was not supplied.</summary>
internal static class NotSuppliedFaults
{
    /// <summary>Values for the container that its start did not bring.</summary>
    /// <param name="graph">The graph.</param>
    /// <param name="isHandedOver">Whether a value was supplied.</param>
    /// <param name="call">How the call starts that creates the container.</param>
    public static IEnumerable<Fault> AtBuild(ServiceGraph graph, Func<Node, bool> isHandedOver, string call) =>
        graph.Nodes
            .Where(node => node.Kind == NodeKind.Incoming
                && node.Level == Level.Singleton
                && !node.Has(RegistrationFlags.SuppliedLater)
                && !isHandedOver(node))
            .Select(node => Found(node, new FaultPath(graph).Node(node).Path, $"supplied to {call.Split('(')[0]}") with
            {
                Fixes = [new Fix("supply it", StartCallText.Container(call, RegistrationText.Supply(node)))],
            });

    /// <summary>Whether a value is declared that must be supplied at build.</summary>
    public static bool IsAnyDeclared(ServiceGraph graph)
    {
        for (int number = 0; number < graph.Nodes.Count; number++)
        {
            if (graph.Nodes[number] is { Kind: NodeKind.Incoming } node
                && node.Level == Level.Singleton
                && !node.Has(RegistrationFlags.SuppliedLater))
            {
                return true;
            }
        }

        return false;
    }

    /// <summary>A value that something on the way needs, and that no scope around it has.</summary>
    /// <param name="node">The declaration.</param>
    /// <param name="path">What requires it.</param>
    /// <param name="calledType">The class that user code has called; null if that is not known.</param>
    /// <param name="calledMethod">The method that user code has called.</param>
    public static Fault InScope(Node node, IReadOnlyList<FaultStep> path, string? calledType, string? calledMethod) =>
        Found(node, path, "supplied to this scope") is var fault && InCall(node, path, calledType, calledMethod) is { } fix
            ? fault with { Fixes = [fix] }
            : fault;

    /// <summary>The value in the very call that the program makes, where that starts the scope itself.</summary>
    private static Fix? InCall(Node node, IReadOnlyList<FaultStep> path, string? calledType, string? calledMethod) =>
        node.Has(RegistrationFlags.SuppliedLater) || node.Level != Level.Scoped ? null : (calledType, calledMethod) switch
        {
            ("FreshScope", { } run) => new Fix(
                "supply it where the fresh scope is run", $"{run}(work, {StartCallText.Values(run, RegistrationText.Supply(node))})"),
            (_, ("Lend" or "LendAsync") and { } lend) when path.Count > 0 => new Fix(
                $"supply it where {path[0].Name} is lent",
                $"{lend}<{path[0].Name}>({StartCallText.Values(lend, RegistrationText.Supply(node))})"),
            _ => null,
        };

    private static Fault Found(Node node, IReadOnlyList<FaultStep> path, string when) => new(FaultKind.NotSupplied)
    {
        Summary = $"{node.Name} is declared, but was not {when}",
        Path = path,
        Fixes = [node.Has(RegistrationFlags.SuppliedLater)
            ? new Fix("supply it before it is first resolved", $"container.Supply<{node.Services[0].Name}>(…);")
            : new Fix("supply it", StartCallText.Supplying(node))],
        Candidates = [node.Name],
        Order = node.Order,
    };
}
