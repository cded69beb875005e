using System.Composition;
using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.CodeActions;
using Microsoft.CodeAnalysis.CodeRefactorings;
using Microsoft.CodeAnalysis.CSharp;
using Microsoft.CodeAnalysis.CSharp.Syntax;

namespace Junctivor.CodeFixes;

/// <summary>
/// Offers to register a class in a wiring, at its name; to register what a constructor parameter requires, at the parameter; and to let
/// the container call a constructor that a registration calls itself, at the registration; and to turn objects that are constructed by
/// hand into a wiring, at the last of them.
/// </summary>
[ExportCodeRefactoringProvider(LanguageNames.CSharp, Name = nameof(WiringRefactoringProvider))]
[Shared]
public sealed class WiringRefactoringProvider : CodeRefactoringProvider
{
    /// <inheritdoc/>
    public override async Task ComputeRefactoringsAsync(CodeRefactoringContext context)
    {
        Project project = context.Document.Project;
        SyntaxNode? root = await context.Document.GetSyntaxRootAsync(context.CancellationToken).ConfigureAwait(false);
        if (root is null
            || await project.GetCompilationAsync(context.CancellationToken).ConfigureAwait(false) is not CSharpCompilation compilation
            || compilation.GetTypeByMetadataName("Junctivor.Wiring") is null)
        {
            return;
        }

        SyntaxNode node = root.FindNode(context.Span, getInnermostNodeForTie: true);
        IEnumerable<CodeAction> offered = node switch
        {
            TypeDeclarationSyntax type when type.Identifier.Span.Contains(context.Span) =>
                UnregisteredClass.Offer(project, compilation, type, context.CancellationToken),
            _ when node.FirstAncestorOrSelf<ParameterSyntax>() is { } parameter =>
                MissingParameter.Offer(project, compilation, parameter, context.CancellationToken),
            _ when node.FirstAncestorOrSelf<BaseObjectCreationExpressionSyntax>() is { } creation =>
                OwnConstruction.Offer(context.Document, compilation, creation)
                    .Concat(ByHand.Offer(context.Document, compilation, creation, context.CancellationToken)),
            _ => [],
        };
        foreach (CodeAction action in offered)
        {
            context.RegisterRefactoring(action);
        }
    }
}
