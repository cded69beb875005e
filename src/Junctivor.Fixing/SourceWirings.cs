using Junctivor.Checks;
using Junctivor.Generators.Checking;
using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.CSharp;

namespace Junctivor.Fixing;

/// <summary>What the compiler knows of the wirings that a program builds and that have no <c>[CheckedWiring]</c>, so that nothing can be
/// run to check them.</summary>
internal sealed class SourceWirings
{
    private SourceWirings(
        IReadOnlyList<(string Wiring, Fault Fault)> faults, IReadOnlyList<(string Wiring, string Reason, string File, int Line)> unfollowed)
    {
        Faults = faults;
        Unfollowed = unfollowed;
    }

    /// <summary>The faults, with where the wiring is built.</summary>
    public IReadOnlyList<(string Wiring, Fault Fault)> Faults { get; }

    /// <summary>The wirings of which nothing is known: where each is built, why, and which place in the source is the reason.</summary>
    public IReadOnlyList<(string Wiring, string Reason, string File, int Line)> Unfollowed { get; }

    /// <summary>How many wirings there are.</summary>
    public int Count { get; private init; }

    /// <summary>Whether the program has wirings with <c>[CheckedWiring]</c>, too.</summary>
    public bool HasMarked { get; private init; }

    /// <summary>Reads them.</summary>
    /// <param name="sources">The sources.</param>
    /// <param name="options">The severities that count instead of those that the program sets.</param>
    public static SourceWirings Of(CSharpCompilation sources, BuildOptions options)
    {
        IReadOnlyList<CheckedRoot> all = WiringRoots.CheckAll(sources, default);
        IReadOnlyList<CheckedRoot> roots = [.. all.Where(root => !root.IsMarked)];
        return new SourceWirings(
            [
                .. roots.SelectMany(root => root.Faults.Select(found => (NameOf(root.Location), Severe(found.Fault, options))))
                    .DistinctBy(each => (each.Item2.Code, each.Item2.Summary)),
            ],
            [
                .. from root in roots
                   let unknown = root.Unfollowed
                   where unknown is not null
                   let place = unknown.Location.GetLineSpan()
                   select (NameOf(root.Location), unknown.Message, place.Path, place.StartLinePosition.Line + 1),
            ])
        {
            Count = roots.Count,
            HasMarked = all.Count > roots.Count,
        };
    }

    private static Fault Severe(Fault fault, BuildOptions options) =>
        options.Severities.TryGetValue(fault.Code, out Severity severity) ? fault with { Severity = severity }
        : options.WarningsAreErrors && fault.Severity == Severity.Warning ? fault with { Severity = Severity.Error }
        : fault;

    private static string NameOf(Location location) =>
        $"Build at {Path.GetFileName(location.GetLineSpan().Path)}:{location.GetLineSpan().StartLinePosition.Line + 1}";
}
