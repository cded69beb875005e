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

    /// <summary>The solution with a fix; as it was where the fix cannot be made any more.</summary>
    public static async Task<Solution> MakeAsync(Project project, Fix fix, CancellationToken cancellationToken) =>
        await project.GetCompilationAsync(cancellationToken).ConfigureAwait(false) is CSharpCompilation before
        && Made(before, fix) is { } after
            ? With(project, before, after)
            : project.Solution;

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
