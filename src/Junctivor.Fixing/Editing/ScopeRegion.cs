using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.CSharp;
using Microsoft.CodeAnalysis.CSharp.Syntax;
using Microsoft.CodeAnalysis.Text;

namespace Junctivor.Fixing.Editing;

/// <summary>Statements of one block that run in one scope: from the first that uses a service to the last that needs what these
/// declare.</summary>
internal sealed class ScopeRegion
{
    private readonly BlockSyntax _block;
    private readonly SyntaxTree _tree;
    private readonly int _first;
    private readonly int _last;

    private ScopeRegion(BlockSyntax block, int first, int last, bool returns, bool awaits)
    {
        _block = block;
        _tree = block.SyntaxTree;
        _first = first;
        _last = last;
        Returns = returns;
        Awaits = awaits;
    }

    /// <summary>Whether it ends the method.</summary>
    public bool Returns { get; }

    /// <summary>Whether something in it is awaited.</summary>
    public bool Awaits { get; }

    /// <summary>The statements of a block around some uses.</summary>
    /// <param name="model">The model of the file.</param>
    /// <param name="block">The block: the body of a method or loop.</param>
    /// <param name="isMethod">Whether it is the body of a method.</param>
    /// <param name="uses">The uses.</param>
    /// <exception cref="CannotEditException">What is in it would do something else in a function.</exception>
    public static ScopeRegion Around(SemanticModel model, BlockSyntax block, bool isMethod, IReadOnlyList<SyntaxNode> uses)
    {
        SyntaxList<StatementSyntax> statements = block.Statements;
        int first = statements.IndexOf(statement => uses.Any(use => statement.Span.Contains(use.Span)));
        int last = statements.LastIndexOf(statement => uses.Any(use => statement.Span.Contains(use.Span)));
        last = WithDeclared(model, statements, first, last);
        ControlFlowAnalysis flow = model.AnalyzeControlFlow(statements[first], statements[last])!;
        if (!flow.ReturnStatements.IsEmpty && isMethod)
        {
            last = statements.Count - 1;
            flow = model.AnalyzeControlFlow(statements[first], statements[last])!;
        }

        if (flow.ExitPoints.FirstOrDefault(exit => !isMethod || exit is not ReturnStatementSyntax) is { } leaving)
        {
            throw new CannotEditException($"'{leaving.GetFirstToken()}' leaves the loop from inside the scope");
        }

        RefuseDirectives(block, TextSpan.FromBounds(statements[first].SpanStart, statements[last].Span.End));
        IEnumerable<SyntaxNode> nodes = statements.Skip(first).Take(last - first + 1).SelectMany(statement =>
            statement.DescendantNodesAndSelf(node => node is not (AnonymousFunctionExpressionSyntax or LocalFunctionStatementSyntax)));
        bool awaits = nodes.Any(node => node is AwaitExpressionSyntax
            || (node is CommonForEachStatementSyntax each && each.AwaitKeyword.IsKind(SyntaxKind.AwaitKeyword))
            || (node is LocalDeclarationStatementSyntax local && local.AwaitKeyword.IsKind(SyntaxKind.AwaitKeyword))
            || (node is UsingStatementSyntax used && used.AwaitKeyword.IsKind(SyntaxKind.AwaitKeyword)));
        return new ScopeRegion(block, first, last, !flow.ReturnStatements.IsEmpty, awaits);
    }

    /// <summary>Whether it is one of its statements.</summary>
    public bool Contains(SyntaxNode node) => _block.Statements.Skip(_first).Take(_last - _first + 1)
        .Any(statement => statement.Span.Contains(node.Span));

    /// <summary>The changes that put the statements into a function.</summary>
    /// <param name="start">What stands before the body of the function.</param>
    public IEnumerable<SourceChange> Enclosed(string start)
    {
        int from = _block.Statements[_first].SpanStart;
        int to = _block.Statements[_last].Span.End;
        if (!Lines.IsFirst(_tree, from) || !IsLastOfLine())
        {
            yield return SourceChange.Insert(_tree, from, $"{start} {{ ");
            yield return SourceChange.Insert(_tree, to, " });");
            yield break;
        }

        string newLine = Lines.BreakOf(_tree);
        string indent = Lines.IndentAt(_tree, from);
        string deeper = indent.Contains('\t') ? "\t" : Lines.Indent;
        yield return SourceChange.Insert(_tree, from, $"{start}{newLine}{indent}{{{newLine}{indent}{deeper}");
        int lastLine = Lines.NumberOf(_tree, to);
        for (int line = Lines.NumberOf(_tree, from); line < lastLine; line++)
        {
            TextLine text = _tree.GetText().Lines[line];
            if (!string.IsNullOrWhiteSpace(text.ToString()) && !Lines.StartsInText(_tree, text.Start))
            {
                yield return SourceChange.Insert(_tree, text.Start, deeper);
            }
        }

        yield return SourceChange.Insert(_tree, Lines.EndOf(_tree, to), $"{newLine}{indent}}});");
    }

    private bool IsLastOfLine() => Lines.HasOnlyCommentBehind(_block.Statements[_last].GetLastToken());

    /// <summary>The last statement that is needed: what is declared in the region must not be used behind it, and is not disposed
    /// earlier.</summary>
    private static int WithDeclared(SemanticModel model, SyntaxList<StatementSyntax> statements, int first, int last)
    {
        while (last < statements.Count - 1)
        {
            IEnumerable<StatementSyntax> inside = statements.Skip(first).Take(last - first + 1);
            if (inside.Any(statement => statement is LabeledStatementSyntax or LocalFunctionStatementSyntax
                || (statement is LocalDeclarationStatementSyntax local && local.UsingKeyword.IsKind(SyntaxKind.UsingKeyword))))
            {
                return statements.Count - 1;
            }

            HashSet<ISymbol> declared = new(
                model.AnalyzeDataFlow(statements[first], statements[last])!.VariablesDeclared, SymbolEqualityComparer.Default);
            int needed = statements.LastIndexOf(statement => statement.DescendantNodes().OfType<IdentifierNameSyntax>()
                .Any(name => model.GetSymbolInfo(name).Symbol is { } symbol && declared.Contains(symbol)));
            if (needed <= last)
            {
                return last;
            }

            last = needed;
        }

        return last;
    }

    /// <summary>A region that is only partly in a branch of the preprocessor is another one in another configuration.</summary>
    private static void RefuseDirectives(BlockSyntax block, TextSpan span)
    {
        if (block.DescendantTrivia(descendIntoTrivia: false).Any(trivia => trivia.IsDirective && span.Contains(trivia.SpanStart)
            && !trivia.IsKind(SyntaxKind.PragmaWarningDirectiveTrivia)))
        {
            throw new CannotEditException("a directive such as #if stands between the statements that belong into one scope");
        }
    }
}
