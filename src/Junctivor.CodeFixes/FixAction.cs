using System.Collections.Immutable;
using Junctivor.Checks;
using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.CodeActions;

namespace Junctivor.CodeFixes;

/// <summary>A fix as an editor offers it: a short title, and the whole advice in the preview.</summary>
/// <param name="title">The title.</param>
/// <param name="project">The project that is changed.</param>
/// <param name="fix">The fix.</param>
/// <param name="key">The key that fixes share which "fix all" makes together; null for none.</param>
internal sealed class FixAction(string title, Project project, Fix fix, string? key) : CodeAction
{
    public override string Title => title;

    public override string? EquivalenceKey => key;

    /// <summary>The whole advice, with the code.</summary>
    public string Advice => FaultFixProvider.Capital(fix.ToString());

    protected override Task<Solution?> GetChangedSolutionAsync(CancellationToken cancellationToken) => MakeAsync(cancellationToken);

    protected override async Task<IEnumerable<CodeActionOperation>> ComputePreviewOperationsAsync(CancellationToken cancellationToken) =>
        await MakeAsync(cancellationToken).ConfigureAwait(false) is { } changed
            ? [new ApplyChangesOperation(changed), new AdviceOperation(Advice)]
            : ImmutableArray<CodeActionOperation>.Empty;

    private async Task<Solution?> MakeAsync(CancellationToken cancellationToken) =>
        await Editor.MakeAsync(project, fix, cancellationToken).ConfigureAwait(false);

    /// <summary>The advice in a preview.</summary>
    private sealed class AdviceOperation(string advice) : PreviewOperation
    {
        public override string Title => advice;

        public override Task<object?> GetPreviewAsync(CancellationToken cancellationToken) => Task.FromResult<object?>(advice);
    }
}
