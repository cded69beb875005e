namespace Junctivor.Graph;

/// <summary>How many letters must be put in, left out or exchanged to make one name of another.</summary>
internal static class EditDistance
{
    /// <summary>The distance; anything greater than the limit where it is greater.</summary>
    public static int Between(string one, string other, int limit = int.MaxValue - 1)
    {
        if (Math.Abs(one.Length - other.Length) > limit)
        {
            return limit + 1;
        }

        // Only the diagonal band counts in which the limit can be kept.
        int band = Math.Min(limit, Math.Max(one.Length, other.Length));
        int[] previous = [.. Enumerable.Range(0, other.Length + 1)];
        int[] current = new int[other.Length + 1];
        for (int row = 1; row <= one.Length; row++)
        {
            int first = Math.Max(1, row - band);
            int last = Math.Min(other.Length, row + band);
            current[first - 1] = first == 1 ? row : limit + 1;
            int least = current[first - 1];
            for (int column = first; column <= last; column++)
            {
                int exchange = previous[column - 1] + (one[row - 1] == other[column - 1] ? 0 : 1);
                int above = column == row + band ? limit + 1 : previous[column] + 1;
                current[column] = Math.Min(exchange, Math.Min(above, current[column - 1] + 1));
                least = Math.Min(least, current[column]);
            }

            if (least > limit)
            {
                return limit + 1;
            }

            (previous, current) = (current, previous);
        }

        return previous[other.Length];
    }
}
