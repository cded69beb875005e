using Junctivor.Graph;

namespace Junctivor.Checks;

/// <summary>One class of mistake, with a code of its own.</summary>
internal interface IRule
{
    IEnumerable<Fault> Inspect(ServiceGraph graph);
}
