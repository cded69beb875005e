extern alias CodeFixes;
extern alias Generators;

using CodeFixes::Junctivor.CodeFixes;
using Generators::Junctivor.Generators;
using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.CodeActions;
using Microsoft.CodeAnalysis.CodeFixes;
using Microsoft.CodeAnalysis.CSharp;

namespace Junctivor.Generators.Tests;

/// <summary>A fault in a module of another project: an editor has both projects, and makes the fix where the registration is.</summary>
public class SolutionFixTests
{
    private const string Quay = """
        namespace Quay;

        public static class Storage
        {
            public static Wiring Wiring =>
            [
                Scoped.Of<Ledger>(),
                Singleton.Of<Almanac>(),
            ];
        }

        public interface ITides;

        public sealed class Almanac : ITides;

        public sealed record Ledger(ITides Tides);

        """;

    private const string Office = """
        using Quay;

        public static class Office
        {
            [CheckedWiring]
            public static Wiring Wiring => [.. Storage.Wiring];
        }
        """;

    private static CancellationToken Token => TestContext.Current.CancellationToken;

    [Fact]
    public async Task A_registration_of_another_project_is_changed_there()
    {
        Project office = await SolutionAsync(Quay);
        Diagnostic diagnostic = Assert.Single(AnalyzedSource.Of(await CompilationOf(office)).Analyze());

        CodeAction action = Assert.Single(await FixesOfAsync(office, diagnostic));
        ApplyChangesOperation applied = Assert.IsType<ApplyChangesOperation>(Assert.Single(await action.GetOperationsAsync(Token)));

        Assert.Equal("Add .Also<ITides>() to Almanac", action.Title);
        Assert.Equal(
            Quay.Replace("Singleton.Of<Almanac>()", "Singleton.Of<Almanac>().Also<ITides>()", StringComparison.Ordinal),
            await TextOfAsync(applied.ChangedSolution, "Storage.cs"));
        Assert.Equal(Office, await TextOfAsync(applied.ChangedSolution, "Office.cs"));
    }

    [Fact]
    public async Task A_class_of_another_project_is_not_changed()
    {
        Project office = await SolutionAsync(Quay
            .Replace("Scoped.Of<Ledger>()", "Singleton.Of<Ledger>()", StringComparison.Ordinal)
            .Replace("Singleton.Of<Almanac>()", "Scoped.Of<ITides, Almanac>()", StringComparison.Ordinal));
        Diagnostic diagnostic = Assert.Single(AnalyzedSource.Of(await CompilationOf(office)).Analyze());

        Assert.Equal("JV301", diagnostic.Id);
        Assert.DoesNotContain(
            await FixesOfAsync(office, diagnostic), action => action.Title.Contains("FreshScope", StringComparison.Ordinal));
    }

    private static async Task<Project> SolutionAsync(string module)
    {
        CSharpCompilation like = AnalyzedSource.Of(("/Empty.cs", "")).Compilation;
        Solution solution = new AdhocWorkspace().CurrentSolution;
        ProjectId quay = ProjectId.CreateNewId();
        ProjectId office = ProjectId.CreateNewId();
        solution = Added(solution, quay, "Quay", like, "Storage.cs", module);
        CSharpGeneratorDriver.Create(new WiringGenerator())
            .RunGeneratorsAndUpdateCompilation(await CompilationOf(solution.GetProject(quay)!), out Compilation generated, out _, Token);
        foreach (SyntaxTree tree in generated.SyntaxTrees.Skip(2))
        {
            solution = solution.AddDocument(
                DocumentId.CreateNewId(quay), Path.GetFileName(tree.FilePath), await tree.GetTextAsync(Token), filePath: tree.FilePath);
        }

        return Added(solution, office, "Office", like, "Office.cs", Office)
            .AddProjectReference(office, new ProjectReference(quay))
            .GetProject(office)!;
    }

    private static Solution Added(
        Solution solution, ProjectId id, string name, CSharpCompilation like, string file, string text) => solution
        .AddProject(ProjectInfo
            .Create(id, VersionStamp.Default, name, name, LanguageNames.CSharp)
            .WithCompilationOptions(like.Options)
            .WithMetadataReferences(like.References))
        .AddDocument(DocumentId.CreateNewId(id), "usings.cs", like.SyntaxTrees[0].ToString(), filePath: $"/{name}/usings.cs")
        .AddDocument(DocumentId.CreateNewId(id), file, text, filePath: $"/{name}/{file}");

    private static async Task<CSharpCompilation> CompilationOf(Project project) =>
        (CSharpCompilation)(await project.GetCompilationAsync(Token))!;

    private static async Task<IReadOnlyList<CodeAction>> FixesOfAsync(Project project, Diagnostic diagnostic)
    {
        List<CodeAction> actions = [];
        await new FaultFixProvider().RegisterCodeFixesAsync(new CodeFixContext(
            project.Documents.Single(document => document.Name == "Office.cs"), diagnostic, (action, _) => actions.Add(action), Token));
        return actions;
    }

    private static async Task<string> TextOfAsync(Solution solution, string file) =>
        (await solution.Projects.SelectMany(project => project.Documents).Single(document => document.Name == file).GetTextAsync(Token))
            .ToString();
}
