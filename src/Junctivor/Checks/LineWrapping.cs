using System.Text;

namespace Junctivor.Checks;

/// <summary>Breaks a line between words.</summary>
internal static class LineWrapping
{
    /// <param name="text">One line.</param>
    /// <param name="width">How many letters a line may have.</param>
    /// <param name="hanging">What the lines behind the first start with.</param>
    /// <param name="start">What the first line starts with.</param>
    public static IEnumerable<string> Lines(string text, int width, string hanging, string start = "")
    {
        StringBuilder line = new(start);
        string before = "";
        foreach (string word in text.Split(' '))
        {
            if (before.Length > 0 && line.Length + before.Length + word.Length > width)
            {
                yield return line.ToString();
                line.Clear().Append(hanging).Append(word);
            }
            else
            {
                line.Append(before).Append(word);
            }

            before = " ";
        }

        yield return line.ToString();
    }
}
