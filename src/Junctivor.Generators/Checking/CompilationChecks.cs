using System.Collections.Immutable;
using Junctivor.Checks;
using Microsoft.CodeAnalysis;

namespace Junctivor.Generators.Checking;

/// <summary>The diagnostics of all wirings of a compilation: made once, for whichever file is the first to want them. Safe for use by
/// several threads.</summary>
/// <param name="compilation">The source.</param>
internal sealed class CompilationChecks(Compilation compilation)
{
    private readonly Lock _gate = new();
    private IReadOnlyList<Diagnostic>? _diagnostics;

    /// <summary>Those of one file.</summary>
    public IEnumerable<Diagnostic> In(SyntaxTree file, CancellationToken cancellationToken)
    {
        lock (_gate)
        {
            _diagnostics ??= [.. Distinct(WiringRoots.CheckAll(compilation, cancellationToken))];
            return [.. _diagnostics.Where(diagnostic => diagnostic.Location.SourceTree == file)];
        }
    }

    /// <summary>Two wirings with one module have its faults in common, and then it is said once.</summary>
    private static IEnumerable<Diagnostic> Distinct(IEnumerable<CheckedRoot> roots)
    {
        HashSet<(string Id, Location Location, Location? Other, string Message)> said = [];
        foreach (CheckedRoot root in roots)
        {
            IReadOnlyList<Diagnostic> found = [.. DiagnosticsOf(root).Where(diagnostic => !said.Contains(KeyOf(diagnostic)))];
            said.UnionWith(found.Select(KeyOf));
            foreach (Diagnostic diagnostic in found)
            {
                yield return diagnostic;
            }
        }
    }

    private static (string, Location, Location?, string) KeyOf(Diagnostic diagnostic) =>
        (diagnostic.Id, diagnostic.Location, diagnostic.AdditionalLocations is [var other, ..] ? other : null, diagnostic.GetMessage());

    private static IEnumerable<Diagnostic> DiagnosticsOf(CheckedRoot root) => root.Unfollowed is { } unknown
        ?
        [
            Diagnostic.Create(
                Descriptors.NotFollowed, unknown.Location, root.UnfollowedSeverity, additionalLocations: null, null, unknown.Message),
        ]
        : root.Faults.Select(DiagnosticOf);

    private static Diagnostic DiagnosticOf(LocatedFault located)
    {
        Fault fault = located.Fault;
        ImmutableDictionary<string, string?> properties =
            ImmutableDictionary<string, string?>.Empty.Add(WiringAnalyzer.TextProperty, fault.ToString());
        return Diagnostic.Create(
            Descriptors.OfKind(fault.Kind),
            located.Location,
            Descriptors.SeverityOf(fault.Severity),
            located.Other is { } other ? [other] : null,
            properties,
            MessageOf(fault));
    }

    private static string MessageOf(Fault fault) => fault.Fixes.Count == 0 ? fault.Summary : $"{fault.Summary}. Fix: {fault.Fixes[0]}";
}
