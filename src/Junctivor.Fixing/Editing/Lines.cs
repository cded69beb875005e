using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.CSharp;
using Microsoft.CodeAnalysis.CSharp.Syntax;
using Microsoft.CodeAnalysis.Text;

namespace Junctivor.Fixing.Editing;

/// <summary>What an edit wants to know of the lines around it.</summary>
internal static class Lines
{
    public const string Indent = "    ";

    /// <summary>The line break that a file uses.</summary>
    public static string BreakOf(SyntaxTree tree) => tree.GetText().ToString().Contains("\r\n", StringComparison.Ordinal) ? "\r\n" : "\n";

    /// <summary>The white space that the line of a position starts with.</summary>
    public static string IndentAt(SyntaxTree tree, int position)
    {
        string line = tree.GetText().Lines.GetLineFromPosition(position).ToString();
        return line[..^line.TrimStart().Length];
    }

    /// <summary>Whether nothing but white space stands before it on its line.</summary>
    public static bool IsFirst(SyntaxTree tree, int position)
    {
        TextLine line = tree.GetText().Lines.GetLineFromPosition(position);
        return string.IsNullOrWhiteSpace(tree.GetText().ToString(TextSpan.FromBounds(line.Start, position)));
    }

    /// <summary>Whether nothing but white space stands behind it on its line.</summary>
    public static bool IsLast(SyntaxTree tree, int position)
    {
        TextLine line = tree.GetText().Lines.GetLineFromPosition(position);
        return string.IsNullOrWhiteSpace(tree.GetText().ToString(TextSpan.FromBounds(position, line.End)));
    }

    /// <summary>Whether there is nothing but white space between two positions.</summary>
    public static bool IsBlankBetween(SyntaxTree tree, int start, int end) =>
        string.IsNullOrWhiteSpace(tree.GetText().ToString(TextSpan.FromBounds(start, end)));

    /// <summary>The end of the line of a position, without the line break.</summary>
    public static int EndOf(SyntaxTree tree, int position) => tree.GetText().Lines.GetLineFromPosition(position).End;

    /// <summary>Whether the rest of its line is empty, or one comment that ends with the line.</summary>
    public static bool HasOnlyCommentBehind(SyntaxToken token)
    {
        int end = EndOf(token.SyntaxTree!, token.Span.End);
        return token.TrailingTrivia.Span.End >= end
            && token.TrailingTrivia.All(trivia => trivia.IsKind(SyntaxKind.EndOfLineTrivia) || trivia.Span.End <= end);
    }

    /// <summary>All whole lines that a span touches, with the line break of the last.</summary>
    public static TextSpan Whole(SyntaxTree tree, TextSpan span)
    {
        TextLineCollection lines = tree.GetText().Lines;
        return TextSpan.FromBounds(
            lines.GetLineFromPosition(span.Start).Start, lines.GetLineFromPosition(span.End).EndIncludingLineBreak);
    }

    /// <summary>The line of a position, counted from 1.</summary>
    public static int NumberOf(SyntaxTree tree, int position) => tree.GetText().Lines.GetLineFromPosition(position).LineNumber + 1;

    /// <summary>Whether a line starts within a text or comment of several lines, or in what another configuration compiles: all of that
    /// must stay as it is.</summary>
    public static bool StartsInText(SyntaxTree tree, int position)
    {
        SyntaxNode root = tree.GetRoot();
        SyntaxToken token = root.FindToken(position);
        SyntaxTrivia trivia = root.FindTrivia(position);
        return (token.SpanStart < position && token.Span.End > position)
            || token.Parent!.AncestorsAndSelf().Any(node => node is InterpolatedStringExpressionSyntax
                && node.SpanStart < position && node.Span.End > position)
            || trivia.IsDirective
            || trivia.IsKind(SyntaxKind.DisabledTextTrivia)
            || (trivia.SpanStart < position && trivia.Span.End > position);
    }
}
