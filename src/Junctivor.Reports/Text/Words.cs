using Junctivor.Graph;

namespace Junctivor.Reports.Text;

/// <summary>Says which words there are, where another one was given.</summary>
internal static class Words
{
    private const int FarthestEdit = 2;

    /// <summary>All of them, such as <c>text, json or sarif</c>.</summary>
    public static string Or(IReadOnlyList<string> words) =>
        words.Count < 2 ? string.Join("", words) : $"{string.Join(", ", words.SkipLast(1))} or {words[^1]}";

    /// <summary>A hint at those that are nearly the same; empty if there are none.</summary>
    public static string Near(IEnumerable<string> words, string given)
    {
        IReadOnlyList<string> near =
        [
            .. words.Distinct().Where(word => EditDistance.Between(word, given, FarthestEdit) <= FarthestEdit),
        ];
        return near.Count == 0 ? "" : $" (similar: {string.Join(", ", near)})";
    }
}
