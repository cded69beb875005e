extern alias CodeFixes;
extern alias Generators;

using CodeFixes::Junctivor.CodeFixes;
using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.CodeActions;
using Microsoft.CodeAnalysis.CodeFixes;
using Microsoft.CodeAnalysis.CodeRefactorings;
using Microsoft.CodeAnalysis.CSharp;
using Microsoft.CodeAnalysis.Text;

namespace Junctivor.Generators.Tests;

/// <summary>A project as an editor has it open, with one file.</summary>
internal sealed class EditedProject
{
    private readonly Document _document;

    private EditedProject(Document document) => _document = document;

    public static EditedProject Of(string file, string text)
    {
        CSharpCompilation compilation = AnalyzedSource.Of((file, text)).Compilation;
        AdhocWorkspace workspace = new();
        Project project = workspace.AddProject(ProjectInfo.Create(
            ProjectId.CreateNewId(), VersionStamp.Default, "Edited", "Analyzed", LanguageNames.CSharp,
            compilationOptions: compilation.Options, metadataReferences: compilation.References));
        project = project.AddDocument("usings.cs", compilation.SyntaxTrees[0].GetText(), filePath: "/usings.cs").Project;
        return new EditedProject(project.AddDocument(Path.GetFileName(file), text, filePath: file));
    }

    public async Task<AnalyzedSource> SourceAsync() =>
        AnalyzedSource.Of((CSharpCompilation)(await _document.Project.GetCompilationAsync(TestContext.Current.CancellationToken))!);

    public async Task<string> TextAsync() => (await _document.GetTextAsync(TestContext.Current.CancellationToken)).ToString();

    public async Task<IReadOnlyList<Diagnostic>> AnalyzeAsync() => (await SourceAsync()).Analyze();

    /// <summary>The fixes that are offered for a diagnostic.</summary>
    public Task<IReadOnlyList<CodeAction>> FixesOfAsync(Diagnostic diagnostic) => FixesOfAsync(diagnostic, new FaultFixProvider());

    /// <summary>The fixes that a provider offers for a diagnostic.</summary>
    public async Task<IReadOnlyList<CodeAction>> FixesOfAsync(Diagnostic diagnostic, CodeFixProvider provider)
    {
        List<CodeAction> actions = [];
        CodeFixContext context = new(
            _document, diagnostic, (action, _) => actions.Add(action), TestContext.Current.CancellationToken);
        await provider.RegisterCodeFixesAsync(context);
        return actions;
    }

    /// <summary>What is offered at a place.</summary>
    public async Task<IReadOnlyList<CodeAction>> RefactoringsAtAsync(int place)
    {
        List<CodeAction> actions = [];
        await new WiringRefactoringProvider().ComputeRefactoringsAsync(new CodeRefactoringContext(
            _document, new TextSpan(place, 0), actions.Add, TestContext.Current.CancellationToken));
        return actions;
    }

    public async Task<EditedProject> WithAsync(CodeAction action)
    {
        IReadOnlyList<CodeActionOperation> operations = await action.GetOperationsAsync(TestContext.Current.CancellationToken);
        Solution changed = operations.OfType<ApplyChangesOperation>().Single().ChangedSolution;
        return new EditedProject(changed.GetDocument(_document.Id)!);
    }

    /// <summary>The project with a fix and all others of its kind.</summary>
    public async Task<EditedProject> WithAllLikeAsync(CodeAction action)
    {
        FaultFixProvider provider = new();
        FixAllContext context = new(
            _document,
            provider,
            FixAllScope.Document,
            action.EquivalenceKey,
            provider.FixableDiagnosticIds,
            new Analyzed(this),
            TestContext.Current.CancellationToken);
        return await WithAsync((await provider.GetFixAllProvider().GetFixAsync(context))!);
    }

    /// <summary>Tells the editor what the analyzer says.</summary>
    private sealed class Analyzed(EditedProject project) : FixAllContext.DiagnosticProvider
    {
        public override async Task<IEnumerable<Diagnostic>> GetAllDiagnosticsAsync(Project _, CancellationToken cancellationToken) =>
            await project.AnalyzeAsync();

        public override async Task<IEnumerable<Diagnostic>> GetDocumentDiagnosticsAsync(Document _, CancellationToken cancellationToken) =>
            await project.AnalyzeAsync();

        public override async Task<IEnumerable<Diagnostic>> GetProjectDiagnosticsAsync(Project _, CancellationToken cancellationToken) =>
            await project.AnalyzeAsync();
    }
}
