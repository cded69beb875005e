using Junctivor.Generators.Checking;
using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.CodeActions;
using Microsoft.CodeAnalysis.CodeFixes;

namespace Junctivor.CodeFixes;

/// <summary>Makes all fixes of one kind, one after another, and checks after each: one registration often mends several faults.</summary>
internal sealed class OneAfterAnother : FixAllProvider
{
    public static readonly OneAfterAnother Instance = new();

    public override IEnumerable<FixAllScope> GetSupportedFixAllScopes() => [FixAllScope.Document, FixAllScope.Project];

    public override Task<CodeAction?> GetFixAsync(FixAllContext fixAllContext) => Task.FromResult<CodeAction?>(
        CodeAction.Create("Make all such fixes", stop => MakeAllAsync(fixAllContext, stop), fixAllContext.CodeActionEquivalenceKey));

    private static async Task<Solution> MakeAllAsync(FixAllContext context, CancellationToken cancellationToken)
    {
        Project project = context.Project;
        HashSet<string> tried = [];
        while (await project.GetCompilationAsync(cancellationToken).ConfigureAwait(false) is { } compilation
            && NextIn(compilation, context, tried, cancellationToken) is { } fix)
        {
            project = (await Editor.MakeAsync(project, fix, cancellationToken).ConfigureAwait(false)).GetProject(project.Id)!;
        }

        return project.Solution;
    }

    private static Fix? NextIn(
        Compilation compilation, FixAllContext context, HashSet<string> tried, CancellationToken cancellationToken) =>
        WiringRoots.CheckAll(compilation, cancellationToken)
            .SelectMany(root => root.Faults)
            .Where(located => context.Scope == FixAllScope.Project
                || located.Location.SourceTree?.FilePath == context.Document?.FilePath)
            .Where(located => tried.Add($"{located.Fault.Code} {located.Fault.Summary}"))
            .SelectMany(located => located.Fault.Fixes.Where(fix => Editor.KeyOf(located.Fault, fix) == context.CodeActionEquivalenceKey))
            .FirstOrDefault();
}
