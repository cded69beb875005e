namespace Junctivor.Checks;

/// <summary>How many letters must be put in, left out or exchanged to make one name of another.</summary>
internal static class EditDistance
{
    private const int ShortestName = 4;

    /// <summary>Whether two names are that close; names so short that nearly all are close never are.</summary>
    public static bool IsWithin(int limit, string one, string other)
    {
        if (Math.Abs(one.Length - other.Length) > limit || Math.Min(one.Length, other.Length) < ShortestName)
        {
            return false;
        }

        int[] previous = [.. Enumerable.Range(0, other.Length + 1)];
        int[] current = new int[other.Length + 1];
        for (int row = 1; row <= one.Length; row++)
        {
            current[0] = row;
            for (int column = 1; column <= other.Length; column++)
            {
                int exchange = previous[column - 1] + (one[row - 1] == other[column - 1] ? 0 : 1);
                current[column] = Math.Min(exchange, Math.Min(previous[column], current[column - 1]) + 1);
            }

            (previous, current) = (current, previous);
        }

        return previous[other.Length] <= limit;
    }
}
