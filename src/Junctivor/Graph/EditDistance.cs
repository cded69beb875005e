namespace Junctivor.Graph;

/// <summary>How many letters must be put in, left out or exchanged to make one name of another.</summary>
internal static class EditDistance
{
    public static int Between(string one, string other)
    {
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

        return previous[other.Length];
    }
}
