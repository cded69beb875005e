using Junctivor.Checks;
using Junctivor.Generators.Checking;
using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.CodeActions;
using Microsoft.CodeAnalysis.CodeFixes;
using Microsoft.CodeAnalysis.CSharp;

namespace Junctivor.CodeFixes;

/// <summary>
/// Makes all fixes of one kind, one after another, and checks after each: one registration often fixes several faults. In a whole
/// solution, as <c>dotnet format</c> asks, it makes the first fix of each fault. Fixes that need a decision are not made.
/// </summary>
internal sealed class OneAfterAnother : FixAllProvider
{
    public static readonly OneAfterAnother Instance = new();

    public override IEnumerable<FixAllScope> GetSupportedFixAllScopes() =>
        [FixAllScope.Document, FixAllScope.Project, FixAllScope.Solution];

    public override Task<CodeAction?> GetFixAsync(FixAllContext fixAllContext) => Task.FromResult<CodeAction?>(
        CodeAction.Create("Make all such fixes", stop => MakeAllAsync(fixAllContext, stop), fixAllContext.CodeActionEquivalenceKey));

    private static async Task<Solution> MakeAllAsync(FixAllContext context, CancellationToken cancellationToken)
    {
        Solution solution = context.Solution;
        IEnumerable<ProjectId> projects = context.Scope == FixAllScope.Solution
            ? solution.GetProjectDependencyGraph().GetTopologicallySortedProjects(cancellationToken)
            : [context.Project.Id];
        foreach (ProjectId id in projects)
        {
            if (solution.GetProject(id) is { Language: LanguageNames.CSharp } project)
            {
                solution = await MakeAllAsync(project, context, cancellationToken).ConfigureAwait(false);
            }
        }

        return solution;
    }

    private static async Task<Solution> MakeAllAsync(Project project, FixAllContext context, CancellationToken cancellationToken)
    {
        HashSet<string> tried = [];
        while (await project.GetCompilationAsync(cancellationToken).ConfigureAwait(false) is CSharpCompilation compilation
            && NextIn(compilation, context, tried, cancellationToken) is { } fix)
        {
            // Other programs may use a module of another project: its registrations are changed one by one.
            Solution? made = await Editor.MakeInAsync(project, fix, cancellationToken).ConfigureAwait(false);
            project = made?.GetProject(project.Id) ?? project;
        }

        return project.Solution;
    }

    private static Fix? NextIn(
        CSharpCompilation compilation, FixAllContext context, HashSet<string> tried, CancellationToken cancellationToken) =>
        WiringRoots.CheckAll(compilation, cancellationToken)
            .SelectMany(root => root.Faults)
            .Where(located => context.DiagnosticIds.Contains(located.Fault.Code))
            .Where(located => context.Scope != FixAllScope.Document
                || located.Location.SourceTree?.FilePath == context.Document?.FilePath)
            .Where(located => tried.Add($"{located.Fault.Code} {located.Fault.Summary}"))
            .SelectMany(located => Wanted(located.Fault, compilation, context).Take(1))
            .FirstOrDefault();

    /// <summary>The fixes that are made: of the kind that was chosen, or those that come first where none was.</summary>
    private static IEnumerable<Fix> Wanted(Fault fault, CSharpCompilation compilation, FixAllContext context) =>
        context.Scope == FixAllScope.Solution
            ? fault.Fixes.TakeWhile(fix => fix.ByHandBecause is null).Where(fix => Editor.CanMake(compilation, fix))
            : fault.Fixes.Where(fix => fix.ByHandBecause is null && Editor.KeyOf(fault, fix) == context.CodeActionEquivalenceKey);
}
