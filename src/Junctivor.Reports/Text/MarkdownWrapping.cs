using System.Text.RegularExpressions;
using Junctivor.Checks;

namespace Junctivor.Reports.Text;

/// <summary>Wraps the prose of a page at the width of a terminal. Code, tables and headings stay as they are.</summary>
internal static partial class MarkdownWrapping
{
    /// <summary>Wraps paragraphs and items of lists.</summary>
    /// <param name="markdown">The page, with line feeds.</param>
    /// <param name="width">How many letters a line may have.</param>
    /// <returns>The lines.</returns>
    public static IEnumerable<string> Lines(string markdown, int width)
    {
        List<string> paragraph = [];
        bool isCode = false;
        foreach (string line in markdown.Split('\n'))
        {
            bool isFence = line.StartsWith("```", StringComparison.Ordinal);
            bool isProse = !isCode && !isFence && line.Length > 0 && line[0] is not ('|' or '#' or '!');
            if (paragraph.Count > 0 && (!isProse || Item().IsMatch(line)))
            {
                foreach (string wrapped in Wrapped(paragraph, width))
                {
                    yield return wrapped;
                }

                paragraph.Clear();
            }

            isCode ^= isFence;
            if (isProse)
            {
                paragraph.Add(line.Trim());
            }
            else
            {
                yield return line;
            }
        }

        foreach (string wrapped in Wrapped(paragraph, width))
        {
            yield return wrapped;
        }
    }

    private static IEnumerable<string> Wrapped(List<string> paragraph, int width) => paragraph.Count == 0
        ? []
        : LineWrapping.Lines(string.Join(' ', paragraph), width, hanging: Item().IsMatch(paragraph[0]) ? "  " : "");

    [GeneratedRegex("^- ")]
    private static partial Regex Item();
}
