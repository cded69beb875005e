using Microsoft.CodeAnalysis;

namespace Junctivor.Mutation;

/// <summary>One small mistake, written into one place of the source.</summary>
/// <param name="File">The path of the file.</param>
/// <param name="Original">What stands there.</param>
/// <param name="Replacement">What would stand there.</param>
internal sealed record Mutant(string File, SyntaxNode Original, SyntaxNode Replacement)
{
    private const int Longest = 110;

    /// <summary>The line, the first being 1.</summary>
    public int Line => Original.GetLocation().GetLineSpan().StartLinePosition.Line + 1;

    /// <summary>Whether it is where threads meet: elsewhere, trying their orders finds nothing more.</summary>
    public bool IsAboutThreads =>
        File.Contains("/Runtime/Instances/", StringComparison.Ordinal)
            || Path.GetFileName(File) is "Scope.cs" or "Container.cs" or "TypeTable.cs" or "CodeCalls.cs" or "CodeWriter.cs";

    /// <summary>The whole file with the mistake in it.</summary>
    public SyntaxNode Root => Original.SyntaxTree.GetRoot().ReplaceNode(Original, Replacement.WithTriviaFrom(Original));

    public override string ToString() => $"{File}:{Line}  {OneLine(Original)}  ->  {OneLine(Replacement)}";

    private static string OneLine(SyntaxNode node)
    {
        string text = string.Join(' ', node.ToString().Split((char[])[' ', '\r', '\n', '\t'], StringSplitOptions.RemoveEmptyEntries));
        return text.Length <= Longest ? text : text[..Longest] + "…";
    }
}
