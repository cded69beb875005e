using Junctivor.Checks;
using Junctivor.Graph;
using Junctivor.Reading;
using Junctivor.Runtime;

namespace Junctivor.Building;

/// <summary>What a wiring and a branch have in common: takes the incoming values, weighs everything that was found, and creates the
/// container.</summary>
internal static class BuildStep
{
    /// <param name="reader">The wiring, read.</param>
    /// <param name="found">What was found wrong with it.</param>
    /// <param name="incoming">The values for the container.</param>
    /// <param name="given">How strictly it is checked, and how the container works; null for the defaults.</param>
    /// <param name="parent">The container that is branched; null if there is none.</param>
    /// <returns>The container.</returns>
    /// <exception cref="WiringException">There are faults.</exception>
    public static Container Run(
        WiringReader reader, IReadOnlyList<Fault> found, ReadOnlySpan<Incoming> incoming, BuildOptions? given, Container? parent)
    {
        BuildOptions options = given ?? new BuildOptions();
        SharedNodes? shared = parent is null ? null : SharedWith(parent, reader);
        SuppliedValues values = SuppliedValues.Take(
            reader.Types, reader.Graph, Level.Singleton, HostValues.Expand(reader, incoming), out IReadOnlyList<Fault> undeclared);
        CheckReport report = options.ToReport(
            reader.Graph,
            undeclared.Count == 0 && shared is null && !NotSuppliedFaults.IsAnyDeclared(reader.Graph)
                ? found
                : With(found, undeclared, FindUnmet(reader.Graph, values, shared, isWithOptions: given is not null)));
        options.OnReport?.Invoke(report);
        return report.IsSound
            ? new Container(new PlanCache(reader, options.CompilationOfPlans, shared), values, report, options, parent)
            : throw new WiringException(report);
    }

    /// <summary>A container to ask what a wiring provides, be it sound or not. What is resolved from it is checked first. It owns nothing
    /// but what it creates: the values and plug-ins of the wiring are for the container that is built of it.</summary>
    public static Container Unchecked(WiringReader reader, BuildOptions options) => new(
        new PlanCache(reader, PlanCompilation.Never, isSound: false), SuppliedValues.Nothing, options.ToReport(reader.Graph, []),
        options with { OnReport = null });

    private static IReadOnlyList<Fault> With(IEnumerable<Fault> found, IEnumerable<Fault> undeclared, IEnumerable<Fault> unmet) =>
        [.. found, .. undeclared, .. unmet];

    private static IEnumerable<Fault> FindUnmet(ServiceGraph graph, SuppliedValues values, SharedNodes? shared, bool isWithOptions) =>
    [
        .. NotSuppliedFaults.AtBuild(
            graph,
            declaration => values.Has(declaration) || shared?.IsShared(declaration) == true,
            shared is not null ? "Branch(changes, " : isWithOptions ? "Build(options, " : "Build("),
        .. shared is null ? [] : BranchNotSeenFaults.NotSeen(graph, shared.IsShared),
    ];

    /// <summary>A method of its own, so that a build without a parent does not load what only branches need.</summary>
    private static SharedNodes SharedWith(Container parent, WiringReader reader) => new(parent, reader);
}
