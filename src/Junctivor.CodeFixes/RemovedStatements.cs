using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.CSharp.Syntax;
using Microsoft.CodeAnalysis.Text;

namespace Junctivor.CodeFixes;

/// <summary>Removes statements, and nothing else: the lines that they have for themselves go with them, and comments stay.</summary>
/// <param name="text">The source.</param>
/// <param name="statements">The statements.</param>
internal sealed class RemovedStatements(SourceText text, IEnumerable<StatementSyntax> statements)
{
    private readonly List<TextSpan> _spans = Joined(text, [.. statements.Select(statement => statement.Span).Order()]);

    public IEnumerable<TextChange> Changes => _spans.Select(span => new TextChange(Around(span), ""));

    /// <summary>Whether nothing stands before a place on its line but what is removed.</summary>
    public bool IsFirstOnLine(int position)
    {
        int start = text.Lines.GetLineFromPosition(position).Start;
        return Enumerable.Range(start, position - start)
            .All(at => char.IsWhiteSpace(text[at]) || _spans.Exists(span => span.Contains(at)));
    }

    /// <summary>Statements of one line between which there is only space are removed together.</summary>
    private static List<TextSpan> Joined(SourceText text, IReadOnlyList<TextSpan> spans)
    {
        List<TextSpan> joined = [];
        foreach (TextSpan span in spans)
        {
            if (joined.Count > 0 && IsSpace(text, joined[^1].End, span.Start)
                && text.Lines.IndexOf(joined[^1].End) == text.Lines.IndexOf(span.Start))
            {
                joined[^1] = TextSpan.FromBounds(joined[^1].Start, span.End);
            }
            else
            {
                joined.Add(span);
            }
        }

        return joined;
    }

    private TextSpan Around(TextSpan span)
    {
        TextLine first = text.Lines.GetLineFromPosition(span.Start);
        TextLine last = text.Lines.GetLineFromPosition(span.End);
        bool isFirst = IsSpace(text, first.Start, span.Start);
        if (IsSpace(text, span.End, last.End))
        {
            return isFirst
                ? TextSpan.FromBounds(first.Start, last.EndIncludingLineBreak)
                : TextSpan.FromBounds(StartOfSpaceBefore(span.Start), span.End);
        }

        int end = span.End;
        while (char.IsWhiteSpace(text[end]))
        {
            end++;
        }

        return TextSpan.FromBounds(span.Start, end);
    }

    /// <summary>Where the space before a place begins, if that is not removed with a statement.</summary>
    public int StartOfSpace(int position)
    {
        int start = StartOfSpaceBefore(position);
        return _spans.Exists(span => span.End == start) ? position : start;
    }

    private int StartOfSpaceBefore(int position)
    {
        while (char.IsWhiteSpace(text[position - 1]))
        {
            position--;
        }

        return position;
    }

    private static bool IsSpace(SourceText text, int start, int end) =>
        string.IsNullOrWhiteSpace(text.ToString(TextSpan.FromBounds(start, end)));
}
