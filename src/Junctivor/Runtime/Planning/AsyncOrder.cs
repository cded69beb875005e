using System.Collections.Concurrent;
using Junctivor.Graph;
using Junctivor.Reading;

namespace Junctivor.Runtime;

/// <summary>In which order asynchronous factories and warm-ups run: each after its dependencies. Safe for use by several threads.</summary>
/// <param name="graph">The graph.</param>
/// <param name="gate">Held while the graph is read.</param>
/// <param name="shared">What a branch shares with its parent; null if there is none.</param>
internal sealed class AsyncOrder(ServiceGraph graph, Lock gate, SharedNodes? shared)
{
    private ConcurrentDictionary<Level, IReadOnlyList<Node>>? _nodes;

    /// <summary>The nodes that the wiring names, and not those that were added by calls.</summary>
    private IEnumerable<Node> Registered => graph.Nodes.Where(node => node.IsInWiring);

    /// <summary>What a scope of a level creates asynchronously.</summary>
    public IReadOnlyList<Node> NodesOf(Level level) =>
        Known.TryGetValue(level, out IReadOnlyList<Node>? known) ? known : Find(level);

    /// <summary>What warms up: asynchronous singletons, and those with a warm-up, a wind-down or background work.</summary>
    public IReadOnlyList<OrderedNode> WarmingUp()
    {
        lock (gate)
        {
            return DependencyOrder.WithDependencies(graph, Registered.Where(node =>
                node.Level == Level.Singleton && node.CreatesInstances && !node.IsDecorator && shared?.IsShared(node) != true
                && (node.IsAsync || WiringReader.EntryOf(node).IsWarmed)));
        }
    }

    private ConcurrentDictionary<Level, IReadOnlyList<Node>> Known =>
        _nodes ?? Interlocked.CompareExchange(ref _nodes, new ConcurrentDictionary<Level, IReadOnlyList<Node>>(), null) ?? _nodes;

    private IReadOnlyList<Node> Find(Level level) => Known.GetOrAdd(level, wanted =>
    {
        lock (gate)
        {
            return DependencyOrder.Of(graph, Registered.Where(node => node.IsAsync && node.Level == wanted));
        }
    });
}
