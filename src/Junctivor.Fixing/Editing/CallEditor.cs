using Junctivor.Checks;
using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.CSharp;
using Microsoft.CodeAnalysis.CSharp.Syntax;

namespace Junctivor.Fixing.Editing;

/// <summary>Changes the call of the program that failed at run time.</summary>
internal static class CallEditor
{
    private const string Scope = "scope";

    /// <exception cref="CannotEditException">The edit cannot be made.</exception>
    public static IEnumerable<SourceChange> ChangesOf(CSharpCompilation compilation, SourceEdit edit)
    {
        SyntaxTree tree = compilation.SyntaxTrees.FirstOrDefault(tree => tree.FilePath == edit.File)
            ?? throw new CannotEditException($"{Path.GetFileName(edit.File)} is not a source of this assembly");
        IReadOnlyList<InvocationExpressionSyntax> calls = [.. tree.GetRoot().DescendantNodes()
            .OfType<InvocationExpressionSyntax>()
            .Where(call => call.Expression is MemberAccessExpressionSyntax && Lines.NumberOf(tree, call.SpanStart) == edit.Line)];
        SemanticModel model = compilation.GetSemanticModel(tree);
        return edit.Kind switch
        {
            SourceEditKind.SupplyAs => [SupplyAs(model, calls, edit)],
            SourceEditKind.AwaitBefore => [AwaitBefore(RequestIn(calls, edit), edit.Text)],
            _ => StartScope(RequestIn(calls, edit)),
        };
    }

    private static InvocationExpressionSyntax RequestIn(IReadOnlyList<InvocationExpressionSyntax> calls, SourceEdit edit) =>
        calls.Where(call => MethodOf(call).Name.Identifier.ValueText.StartsWith("Resolve", StringComparison.Ordinal)).ToList() is [var only]
            ? only
            : throw new CannotEditException($"no single call that resolves was found at {Path.GetFileName(edit.File)}:{edit.Line}");

    private static MemberAccessExpressionSyntax MethodOf(InvocationExpressionSyntax call) => (MemberAccessExpressionSyntax)call.Expression;

    private static SourceChange SupplyAs(SemanticModel model, IReadOnlyList<InvocationExpressionSyntax> calls, SourceEdit edit)
    {
        InvocationExpressionSyntax? supplying = calls.FirstOrDefault(call =>
            model.GetSymbolInfo(call).Symbol is IMethodSymbol { Name: "Value", ContainingType.Name: "Incoming" }
            && call.ArgumentList.Arguments is [var value]
            && model.GetTypeInfo(value.Expression).Type is INamedTypeSymbol type && MetadataName.Of(type) == edit.Type);
        return supplying is null
            ? throw new CannotEditException($"the value is not supplied at {Path.GetFileName(edit.File)}:{edit.Line}")
            : SourceChange.Replace(MethodOf(supplying).Name, $"Value<{edit.Text}>");
    }

    private static SourceChange AwaitBefore(InvocationExpressionSyntax request, string call)
    {
        StatementSyntax statement = StatementOf(request);
        return IsAsync(request)
            ? Before(statement, $"await {MethodOf(request).Expression}.{call};")
            : throw new CannotEditException("the method of the call is not async");
    }

    private static IEnumerable<SourceChange> StartScope(InvocationExpressionSyntax request)
    {
        StatementSyntax statement = StatementOf(request);
        if (statement is ReturnStatementSyntax { Expression: { } returned } && returned == request)
        {
            throw new CannotEditException("what is resolved is returned, beyond the end of a scope");
        }

        if (request.SyntaxTree.GetRoot()
            .DescendantTokens()
            .Any(token => token.IsKind(SyntaxKind.IdentifierToken) && token.ValueText == Scope))
        {
            throw new CannotEditException($"'{Scope}' is another name in {Path.GetFileName(request.SyntaxTree.FilePath)}");
        }

        string start = IsAsync(request) ? "await using" : "using";
        yield return Before(statement, $"{start} Scope {Scope} = {MethodOf(request).Expression}.StartScope();");
        yield return SourceChange.Replace(MethodOf(request).Expression, Scope);
    }

    private static SourceChange Before(StatementSyntax statement, string text)
    {
        SyntaxTree tree = statement.SyntaxTree;
        return SourceChange.Insert(
            tree, statement.SpanStart, text + Lines.BreakOf(tree) + Lines.IndentAt(tree, statement.SpanStart));
    }

    private static StatementSyntax StatementOf(InvocationExpressionSyntax call) =>
        call.FirstAncestorOrSelf<StatementSyntax>() is { Parent: BlockSyntax } statement
            ? statement
            : throw new CannotEditException("the call is no statement of a block");

    private static bool IsAsync(SyntaxNode node) =>
        node.FirstAncestorOrSelf<SyntaxNode>(each => each is AnonymousFunctionExpressionSyntax or LocalFunctionStatementSyntax
            or BaseMethodDeclarationSyntax) switch
        {
            AnonymousFunctionExpressionSyntax function => function.AsyncKeyword.IsKind(SyntaxKind.AsyncKeyword),
            LocalFunctionStatementSyntax function => function.Modifiers.Any(SyntaxKind.AsyncKeyword),
            BaseMethodDeclarationSyntax method => method.Modifiers.Any(SyntaxKind.AsyncKeyword),
            _ => false,
        };
}
