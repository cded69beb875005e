using Junctivor.Graph;

namespace Junctivor.Checks;

/// <summary>One class of mistake, with a code of its own.</summary>
internal interface IRule
{
    /// <summary>Whether there could be anything to find. Most rules find nothing in most wirings, and a fresh process should not load what
    /// words their faults: so this is answered by plain loops.</summary>
    /// <param name="graph">The whole graph.</param>
    /// <param name="nodes">What <see cref="Inspect"/> would look at.</param>
    /// <returns>False where <see cref="Inspect"/> would find nothing.</returns>
    bool MayFind(ServiceGraph graph, IReadOnlyList<Node> nodes);

    /// <param name="graph">The whole graph.</param>
    /// <param name="nodes">What to look at: all of it, or what has come into it since.</param>
    IEnumerable<Fault> Inspect(ServiceGraph graph, IReadOnlyCollection<Node> nodes);
}
