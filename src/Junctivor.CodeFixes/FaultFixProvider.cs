using System.Collections.Immutable;
using System.Composition;
using Junctivor.Checks;
using Junctivor.Generators;
using Junctivor.Generators.Checking;
using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.CodeFixes;
using Microsoft.CodeAnalysis.CSharp;

namespace Junctivor.CodeFixes;

/// <summary>Offers the fixes of a fault that can be made mechanically: the same edits as those of <c>junctivor fix</c>.</summary>
[ExportCodeFixProvider(LanguageNames.CSharp, Name = nameof(FaultFixProvider))]
[Shared]
public sealed class FaultFixProvider : CodeFixProvider
{
    /// <inheritdoc/>
    public override ImmutableArray<string> FixableDiagnosticIds { get; } = [.. FaultKind.All.Select(kind => kind.Code)];

    /// <inheritdoc/>
    public override FixAllProvider GetFixAllProvider() => OneAfterAnother.Instance;

    /// <inheritdoc/>
    public override async Task RegisterCodeFixesAsync(CodeFixContext context)
    {
        Project project = context.Document.Project;
        if (await project.GetCompilationAsync(context.CancellationToken).ConfigureAwait(false) is not CSharpCompilation compilation)
        {
            return;
        }

        foreach (Diagnostic diagnostic in context.Diagnostics)
        {
            if (FaultAt(compilation, diagnostic, context.CancellationToken) is not { } fault)
            {
                continue;
            }

            foreach ((string title, Fix fix) in Offered(fault))
            {
                if (await Editor.TryMakeAsync(project, fix, context.CancellationToken).ConfigureAwait(false) is not null)
                {
                    context.RegisterCodeFix(new FixAction(title, project, fix, Editor.KeyOf(fault, fix)), diagnostic);
                }
            }
        }
    }

    /// <summary>The fixes of a fault with their titles, in the order of the report. A fix that is one of several choices is replaced by all
    /// of them.</summary>
    private static IEnumerable<(string Title, Fix Fix)> Offered(Fault fault) => fault.Fixes
        .Where(fix => fix.Edits.Count > 0)
        .SelectMany(fix => Choices.InPlaceOf(fault, fix) ?? [(FixTitle.Of(fix), fix)]);

    /// <summary>The fault that a diagnostic shows; null if it is not there any more.</summary>
    internal static Fault? FaultAt(Compilation compilation, Diagnostic diagnostic, CancellationToken cancellationToken) =>
        WiringRoots.CheckAll(compilation, cancellationToken)
            .SelectMany(root => root.Faults)
            .FirstOrDefault(located => located.Fault.Code == diagnostic.Id
                && located.Fault.ToString() == diagnostic.Properties.GetValueOrDefault(WiringAnalyzer.TextProperty))?.Fault;

    internal static string Capital(string text) => char.ToUpperInvariant(text[0]) + text[1..];
}
