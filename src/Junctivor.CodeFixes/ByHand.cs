using Junctivor.Generators.Following;
using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.CodeActions;
using Microsoft.CodeAnalysis.CSharp;
using Microsoft.CodeAnalysis.CSharp.Syntax;
using Microsoft.CodeAnalysis.Text;

namespace Junctivor.CodeFixes;

/// <summary>Turns objects that a composition root constructs by hand into the registrations of a wiring, where there is no container
/// yet.</summary>
internal static class ByHand
{
    public static IEnumerable<CodeAction> Offer(
        Document document, CSharpCompilation compilation, BaseObjectCreationExpressionSyntax creation, CancellationToken cancellationToken)
    {
        SemanticModel model = compilation.GetSemanticModel(creation.SyntaxTree);
        if (ResolvedInstead.ContainerAt(model, creation.SpanStart) is { } known)
        {
            return OwnConstruction.IsInRegistration(creation)
                ? []
                : ResolvedInstead.Offer(document, compilation, creation, known, cancellationToken);
        }

        if (StatementAround(creation) is not { } statement
            || Composition.Read(model, statement, creation, cancellationToken) is not { Classes.Count: > 1 } composition
            || composition.Consumed.Append<SyntaxNode>(creation).Any(HasInnerComment))
        {
            return [];
        }

        bool isAsync = composition.Classes.Any(each => MustBeAwaited(each.Type));
        return isAsync && !IsAsync(statement)
            ? []
            :
            [
                CodeAction.Create(
                    $"Let a container construct {composition.Classes[^1].Type.Name} and the {composition.Classes.Count - 1} it needs",
                    async stop => document.WithText(
                        Written(await document.GetTextAsync(stop).ConfigureAwait(false), model, statement, creation, composition, isAsync)),
                    "by hand"),
            ];
    }

    /// <summary>The statement that declares what is constructed, or only calls it: what the container constructs must not outlive
    /// it.</summary>
    private static StatementSyntax? StatementAround(BaseObjectCreationExpressionSyntax creation)
    {
        SyntaxNode outer = creation;
        while (outer.Parent is MemberAccessExpressionSyntax or InvocationExpressionSyntax or AwaitExpressionSyntax
            && (outer.Parent is not InvocationExpressionSyntax call || call.Expression == outer))
        {
            outer = outer.Parent;
        }

        StatementSyntax? statement = outer.Parent switch
        {
            ExpressionStatementSyntax called when outer != creation => called,
            EqualsValueClauseSyntax
            {
                Parent.Parent: VariableDeclarationSyntax { Variables.Count: 1, Parent: LocalDeclarationStatementSyntax local },
            }
            when outer == creation => local,
            _ => null,
        };
        return statement?.Parent is BlockSyntax { Parent: MethodDeclarationSyntax } or GlobalStatementSyntax ? statement : null;
    }

    private static SourceText Written(
        SourceText text,
        SemanticModel model,
        StatementSyntax statement,
        BaseObjectCreationExpressionSyntax creation,
        Composition composition,
        bool isAsync)
    {
        int at = statement.SpanStart;
        RemovedStatements removed = new(text, composition.Consumed);
        string indent = IndentOf(text.Lines.GetLineFromPosition(at));
        string end = text.ToString().Contains("\r\n") ? "\r\n" : "\n";
        string wiring = FreeName("wiring", model, at);
        string container = FreeName("container", model, at);
        List<string> lines =
        [
            $"Wiring {wiring} =",
            "[",
            .. composition.Classes.Select(each => $"    {each.Written(model, at)},"),
            "];",
            $"{(isAsync ? "await using" : "using")} Container {container} = {wiring}.Build();",
            "",
        ];
        string resolved = $"{container}.Resolve<{composition.Classes[^1].Type.ToMinimalDisplayString(model, at)}>()";
        List<TextChange> changes =
        [
            .. removed.Changes,
            removed.IsFirstOnLine(at)
                ? new TextChange(new TextSpan(at, 0), string.Join(end + indent, lines))
                : new TextChange(TextSpan.FromBounds(removed.StartOfSpace(at), at), end + indent + string.Join(end + indent, lines)),
            new TextChange(creation.Span, resolved),
            .. UsingOf(statement),
        ];
        if (!model.LookupNamespacesAndTypes(at, name: "Wiring").Any(found => Operations.IsOf(found as ITypeSymbol, "Junctivor.Wiring")))
        {
            changes.Add(new TextChange(new TextSpan(0, 0), $"using Junctivor;{end}"));
        }

        return text.WithChanges(changes.OrderBy(change => change.Span.Start).ThenBy(change => change.Span.End));
    }

    /// <summary>The container disposes what it constructs.</summary>
    private static IEnumerable<TextChange> UsingOf(StatementSyntax statement) =>
        statement is LocalDeclarationStatementSyntax { UsingKeyword: { RawKind: not 0 } word } local
            ? [new TextChange(TextSpan.FromBounds(local.SpanStart, word.GetNextToken().SpanStart), "")]
            : [];

    /// <summary>Whether a comment or another configuration stands within it, which would be lost.</summary>
    private static bool HasInnerComment(SyntaxNode node) => node.DescendantTrivia()
        .Any(trivia => node.Span.Contains(trivia.Span)
            && !trivia.IsKind(SyntaxKind.WhitespaceTrivia) && !trivia.IsKind(SyntaxKind.EndOfLineTrivia));

    private static string IndentOf(TextLine line)
    {
        string whole = line.ToString();
        return whole[..(whole.Length - whole.TrimStart().Length)];
    }

    private static string FreeName(string wanted, SemanticModel model, int position)
    {
        string name = wanted;
        for (int number = 2; !model.LookupSymbols(position, name: name).IsEmpty; number++)
        {
            name = $"{wanted}{number}";
        }

        return name;
    }

    private static bool IsAsync(StatementSyntax statement) => statement.Parent switch
    {
        BlockSyntax { Parent: MethodDeclarationSyntax method } => method.Modifiers.Any(SyntaxKind.AsyncKeyword),
        _ => true,
    };

    /// <summary>Whether it can be disposed asynchronously only.</summary>
    private static bool MustBeAwaited(INamedTypeSymbol type) =>
        Implements(type, "System.IAsyncDisposable") && !Implements(type, "System.IDisposable");

    private static bool Implements(INamedTypeSymbol type, string name) => type.AllInterfaces.Any(each => Operations.IsOf(each, name));
}
