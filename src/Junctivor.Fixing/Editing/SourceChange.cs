using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.Text;

namespace Junctivor.Fixing.Editing;

/// <summary>One change of the text of one source file.</summary>
internal sealed record SourceChange(SyntaxTree Tree, TextChange Text)
{
    public static SourceChange Insert(SyntaxTree tree, int position, string text) =>
        new(tree, new TextChange(new TextSpan(position, 0), text));

    public static SourceChange Replace(SyntaxNodeOrToken old, string text) => new(old.SyntaxTree!, new TextChange(old.Span, text));

    public static SourceChange Remove(SyntaxTree tree, TextSpan span) => new(tree, new TextChange(span, ""));
}
