using Junctivor.Checks;
using Junctivor.Graph;

namespace Junctivor.Runtime;

/// <summary>Checks what has come into the graph since it was built. The owner of the graph guards it.</summary>
/// <param name="graph">The graph.</param>
/// <param name="isSound">Whether it was checked at build, and all values are supplied; if not, what is resolved is checked first.</param>
internal sealed class LateCheck(ServiceGraph graph, bool isSound)
{
    private HashSet<Node>? _checkedLater;
    private readonly int _checkedAtBuild = isSound ? graph.Nodes.Count : 0;

    /// <summary>The binding of a call, where it and everything that it reaches is sound.</summary>
    /// <exception cref="ResolveException">It is not.</exception>
    public Binding Sound(Binding binding, ServiceId service)
    {
        if (binding is Binding.Single { Node: var only } && IsChecked(only))
        {
            return binding;
        }

        return SoundOfAll(binding, service);
    }

    private Binding SoundOfAll(Binding binding, ServiceId service)
    {
        Fault? unmet = binding.All().Select(each => RequestFaults.Of(graph, each, service)).FirstOrDefault(fault => fault is not null);
        if (unmet is not null)
        {
            throw new ResolveException(unmet);
        }

        ThrowIfFaulty(ServiceGraph.NodesIn(binding));
        return binding;
    }

    /// <exception cref="ResolveException">Some of these nodes, or of those that they reach, have faults.</exception>
    public void ThrowIfFaulty(IEnumerable<Node> start)
    {
        // What a checked node reaches has been checked with it.
        List<Node> unknown = [.. start.Where(node => !IsChecked(node))];
        if (unknown.Count > 0)
        {
            Check([.. ServiceGraph.ReachableFrom(unknown).Where(node => !IsChecked(node))]);
        }
    }

    private void Check(IReadOnlyList<Node> newcomers)
    {
        IReadOnlyList<Fault> faults =
        [
            .. Checker.Inspect(graph, newcomers).Where(fault => fault.Severity == Severity.Error),
            .. isSound ? [] : NotSuppliedFaults.AtBuild(graph, declaration => !newcomers.Contains(declaration), "Build("),
        ];
        if (faults.Count > 0)
        {
            throw new ResolveException(faults);
        }

        (_checkedLater ??= []).UnionWith(newcomers);
    }

    private bool IsChecked(Node node) =>
        (node.Bindings is not null && node.Number < _checkedAtBuild && (graph.Unrequested.Count == 0 || !graph.Unrequested.Contains(node)))
            || _checkedLater?.Contains(node) == true;
}
