using System.Collections.Immutable;
using System.Runtime.CompilerServices;
using Junctivor.Checks;
using Junctivor.Generators.Following;
using Microsoft.CodeAnalysis;

namespace Junctivor.Generators.Checking;

/// <summary>The diagnostics of all wirings of a compilation: made once, for whichever file is the first to want them. Those of the last
/// compilation of a project are used again if nothing has changed that they depend on. Safe for use by several threads.</summary>
/// <param name="compilation">The source.</param>
internal sealed class CompilationChecks(Compilation compilation)
{
    /// <summary>The last result of each project. An editor keeps the options of a project from one edit to the next, so they are the key.
    /// The compiler has other ones in each build, so that a build uses no earlier result and keeps none.</summary>
    private static readonly ConditionalWeakTable<CompilationOptions, Finished> Last = new();

    private static readonly Lock LastGate = new();

    private readonly Lock _gate = new();
    private IReadOnlyList<Diagnostic>? _diagnostics;

    /// <summary>Whether the diagnostics of another compilation were used, so that no wiring was followed and no class read.</summary>
    public bool AreUsedAgain { get; private set; }

    /// <summary>Whether all wirings were followed, and all classes read.</summary>
    public bool IsReadAgain { get; private set; }

    /// <summary>Those of one file.</summary>
    public IEnumerable<Diagnostic> In(SyntaxTree file, CancellationToken cancellationToken)
    {
        lock (_gate)
        {
            _diagnostics ??= FindAll(cancellationToken);
            return [.. _diagnostics.Where(diagnostic => diagnostic.Location.SourceTree == file)];
        }
    }

    private IReadOnlyList<Diagnostic> FindAll(CancellationToken cancellationToken)
    {
        CompilationFiles files = CompilationFiles.Of(compilation);
        Finished? last = Last.TryGetValue(compilation.Options, out Finished? known) && known.Assembly == compilation.AssemblyName
            ? known
            : null;
        if (last?.Files.ChangesTo(files) is { } edits && !edits.Affect(last.Dependencies))
        {
            AreUsedAgain = true;
            return last.Diagnostics;
        }

        CheckedProject? later = last?.Project.CheckLater(compilation, cancellationToken);
        IsReadAgain = later is null;
        ReadProject project = later is null ? ReadProject.Read(compilation, cancellationToken) : last!.Project;
        CheckedProject result = later ?? project.Check(cancellationToken);
        IReadOnlyList<Diagnostic> found = [.. Distinct(result.Roots)];
        SourceDependencies dependencies = result.Dependencies;
        foreach (SyntaxTree shown in found.SelectMany(each => each.AdditionalLocations.Prepend(each.Location))
            .Select(location => location.SourceTree)
            .OfType<SyntaxTree>())
        {
            dependencies.Add(shown);
        }

        Finished finished = new(compilation.AssemblyName, files, project, dependencies, found);
        lock (LastGate)
        {
            Last.Remove(compilation.Options);
            Last.Add(compilation.Options, finished);
        }

        return found;
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

    private static IEnumerable<Diagnostic> DiagnosticsOf(CheckedRoot root) => root.IsBroken ? []
        : root.Unfollowed is { } unknown ?
        [
            Diagnostic.Create(
                Descriptors.NotFollowed, unknown.Location, root.UnfollowedSeverity, additionalLocations: null, null, unknown.Message),
        ]
        : root.Faults.Select(DiagnosticOf);

    /// <param name="Assembly">The name of the assembly.</param>
    /// <param name="Files">The files of the compilation.</param>
    /// <param name="Project">The project, as it was read.</param>
    /// <param name="Dependencies">What the diagnostics depend on.</param>
    /// <param name="Diagnostics">The diagnostics.</param>
    private sealed record Finished(
        string? Assembly,
        CompilationFiles Files,
        ReadProject Project,
        SourceDependencies Dependencies,
        IReadOnlyList<Diagnostic> Diagnostics);

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
