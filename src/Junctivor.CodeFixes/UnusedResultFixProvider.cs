using System.Collections.Immutable;
using System.Composition;
using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.CodeActions;
using Microsoft.CodeAnalysis.CodeFixes;
using Microsoft.CodeAnalysis.CSharp;
using Microsoft.CodeAnalysis.CSharp.Syntax;
using Microsoft.CodeAnalysis.Operations;

namespace Junctivor.CodeFixes;

/// <summary>Assigns to a variable what an option of the registration in it returns.</summary>
[ExportCodeFixProvider(LanguageNames.CSharp, Name = nameof(UnusedResultFixProvider))]
[Shared]
public sealed class UnusedResultFixProvider : CodeFixProvider
{
    private const string Title = "Use what the option returns";

    /// <inheritdoc/>
    public override ImmutableArray<string> FixableDiagnosticIds { get; } = ["JV903"];

    /// <inheritdoc/>
    public override FixAllProvider GetFixAllProvider() => WellKnownFixAllProviders.BatchFixer;

    /// <inheritdoc/>
    public override async Task RegisterCodeFixesAsync(CodeFixContext context)
    {
        Document document = context.Document;
        SyntaxNode? root = await document.GetSyntaxRootAsync(context.CancellationToken).ConfigureAwait(false);
        SemanticModel? model = await document.GetSemanticModelAsync(context.CancellationToken).ConfigureAwait(false);
        if (root?.FindNode(context.Span).FirstAncestorOrSelf<ExpressionStatementSyntax>() is not
            { Expression: InvocationExpressionSyntax { Expression: MemberAccessExpressionSyntax { Expression: var start } } call }
            || Variable(start) is not { } variable
            || model?.GetOperation(variable, context.CancellationToken) is not { } operation
            || operation is not (IParameterReferenceOperation
                or ILocalReferenceOperation { Local: { IsConst: false, IsRef: false, IsForEach: false } })
            || !model.ClassifyConversion(call, operation.Type!).IsImplicit)
        {
            return;
        }

        context.RegisterCodeFix(
            CodeAction.Create(
                Title,
                _ => Task.FromResult(document.WithSyntaxRoot(root.ReplaceNode(
                    call,
                    Assigned(variable, call).WithTriviaFrom(call)))),
                Title),
            context.Diagnostics);
    }

    private static AssignmentExpressionSyntax Assigned(IdentifierNameSyntax variable, InvocationExpressionSyntax call) =>
        SyntaxFactory.AssignmentExpression(
            SyntaxKind.SimpleAssignmentExpression,
            variable.WithoutTrivia().WithTrailingTrivia(SyntaxFactory.Space),
            SyntaxFactory.Token(SyntaxKind.EqualsToken).WithTrailingTrivia(SyntaxFactory.Space),
            call.WithoutTrivia());

    /// <summary>The variable that a chain of options begins with.</summary>
    private static IdentifierNameSyntax? Variable(ExpressionSyntax start) => start switch
    {
        IdentifierNameSyntax name => name,
        InvocationExpressionSyntax { Expression: MemberAccessExpressionSyntax { Expression: var inner } } => Variable(inner),
        _ => null,
    };
}
