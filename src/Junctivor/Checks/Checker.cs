using Junctivor.Graph;

namespace Junctivor.Checks;

/// <summary>Holds the rules, and runs them all.</summary>
internal static class Checker
{
    private static readonly IRule[] Rules =
    [
        new MissingRule(),
        new NotConstructibleRule(),
        new SeveralConstructorsRule(),
        new DoesNotServeRule(),
        new AmbiguousRule(),
        new CycleRule(),
        new CaptiveRule(),
    ];

    public static IEnumerable<Fault> Inspect(ServiceGraph graph) => Rules.SelectMany(rule => rule.Inspect(graph));
}
