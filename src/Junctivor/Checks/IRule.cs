using Junctivor.Graph;

namespace Junctivor.Checks;

/// <summary>One class of mistake, with a code of its own.</summary>
internal interface IRule
{
    /// <param name="graph">The whole graph.</param>
    /// <param name="nodes">What to look at: all of it, or what has come into it since.</param>
    IEnumerable<Fault> Inspect(ServiceGraph graph, IReadOnlyCollection<Node> nodes);
}
