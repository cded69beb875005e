using Junctivor.Checks;

namespace Junctivor.Reports.Text;

/// <summary>
/// Lays rows out in columns. Where they are too wide together, the last cell of each row stands on a line of its own below it;
/// so nothing is cut off, and no name is broken.
/// </summary>
internal static class Columns
{
    private const int Gap = 2;
    private const string Below = "      ";

    /// <param name="rows">Rows of as many cells each; the last cell of a row may be empty.</param>
    /// <param name="width">How many letters a line may have.</param>
    public static IEnumerable<IReadOnlyList<Piece>> Lay(IReadOnlyList<IReadOnlyList<Piece>> rows, int width)
    {
        if (rows.Count == 0)
        {
            yield break;
        }

        int[] widths = Widths(rows);
        bool fits = WidthOf(widths) <= width;
        foreach (IReadOnlyList<Piece> row in rows)
        {
            yield return Line(fits ? row : [.. row.Take(row.Count - 1)], widths);
            if (!fits && row[^1].Text.Length > 0)
            {
                string indent = Continued(row[0].Text) + Below;
                foreach (string line in LineWrapping.Lines(row[^1].Text, width - indent.Length, ""))
                {
                    yield return [new Piece(indent), row[^1] with { Text = line }];
                }
            }
        }
    }

    /// <summary>Whether rows fit without breaking any.</summary>
    public static bool Fit(IReadOnlyList<IReadOnlyList<Piece>> rows, int width) => rows.Count == 0 || WidthOf(Widths(rows)) <= width;

    private static int[] Widths(IReadOnlyList<IReadOnlyList<Piece>> rows) =>
        [.. Enumerable.Range(0, rows[0].Count).Select(column => rows.Max(row => row[column].Text.Length))];

    private static int WidthOf(int[] widths) => widths.Where(column => column > 0).Sum(column => column + Gap) - Gap;

    /// <summary>The lines of a tree, as they go on below a twig.</summary>
    private static string Continued(string twig) => string.Concat(twig
        .TakeWhile(letter => !char.IsLetterOrDigit(letter))
        .Select(letter => letter is '│' or '├' ? '│' : ' '));

    private static List<Piece> Line(IReadOnlyList<Piece> row, int[] widths)
    {
        int last = row.Count - 1;
        while (last > 0 && row[last].Text.Length == 0)
        {
            last--;
        }

        List<Piece> line = [];
        for (int column = 0; column <= last; column++)
        {
            line.Add(row[column]);
            if (column < last && widths[column] > 0)
            {
                line.Add(new Piece(new string(' ', widths[column] - row[column].Text.Length + Gap)));
            }
        }

        return line;
    }
}
