using Junctivor.Checks;
using Junctivor.Fixing.Editing;
using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.CSharp;

namespace Junctivor.CodeFixes;

/// <summary>Makes the edits of a fix in a project of the editor.</summary>
internal static class Editor
{
    /// <summary>The key that fixes of one kind share, so that "fix all" makes them together; null for one that needs a decision.</summary>
    public static string? KeyOf(Fault fault, Fix fix) => fix.ByHandBecause is null
        ? $"{fault.Code} {string.Join("+", fix.Edits.Select(edit => edit.Kind))}"
        : null;

    /// <summary>Whether the edits of a fix can be made in a source as it is.</summary>
    public static bool CanMake(CSharpCompilation compilation, Fix fix) => Made(compilation, fix) is not null;

    /// <summary>The solution with a fix, made in the project or in one that it references; as it was where the fix cannot be made any
    /// more.</summary>
    public static async Task<Solution> MakeAsync(Project project, Fix fix, CancellationToken cancellationToken) =>
        await TryMakeAsync(project, fix, cancellationToken).ConfigureAwait(false) ?? project.Solution;

    /// <summary>The same; null where the fix cannot be made.</summary>
    public static async Task<Solution?> TryMakeAsync(Project project, Fix fix, CancellationToken cancellationToken)
    {
        foreach (Project each in Changeable(project, fix))
        {
            if (await MakeInAsync(each, fix, cancellationToken).ConfigureAwait(false) is { } made)
            {
                return made;
            }
        }

        return null;
    }

    /// <summary>The solution with a fix in a project itself; null where it cannot be made there.</summary>
    public static async Task<Solution?> MakeInAsync(Project project, Fix fix, CancellationToken cancellationToken) =>
        await project.GetCompilationAsync(cancellationToken).ConfigureAwait(false) is CSharpCompilation before
        && Made(before, fix) is { } after
            ? With(project, before, after)
            : null;

    /// <summary>The projects in which a fix may be made. Outside of the project of the fault only registrations are changed: code that is
    /// not checked here may use all else.</summary>
    private static IEnumerable<Project> Changeable(Project project, Fix fix) =>
        fix.Edits.All(edit => edit.IsOfRegistration)
            ? project.Solution.GetProjectDependencyGraph().GetProjectsThatThisProjectTransitivelyDependsOn(project.Id)
                .Select(project.Solution.GetProject)
                .OfType<Project>()
                .Where(each => each.Language == LanguageNames.CSharp)
                .Prepend(project)
            : [project];

    private static CSharpCompilation? Made(CSharpCompilation compilation, Fix fix)
    {
        if (fix.Edits.Count == 0)
        {
            return null;
        }

        try
        {
            return SourceEditor.Apply(compilation, fix.Edits);
        }
        catch (CannotEditException)
        {
            return null;
        }
    }

    private static Solution With(Project project, CSharpCompilation before, CSharpCompilation after)
    {
        Solution solution = project.Solution;
        foreach ((SyntaxTree old, SyntaxTree changed) in before.SyntaxTrees.Zip(after.SyntaxTrees, (old, changed) => (old, changed)))
        {
            if (old != changed && project.GetDocument(old) is { } document)
            {
                solution = solution.WithDocumentText(document.Id, changed.GetText());
            }
        }

        return solution;
    }
}
