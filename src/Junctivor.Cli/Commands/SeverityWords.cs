using Junctivor.Cli.Loading;

namespace Junctivor.Cli.Commands;

/// <summary>Reads severities as they are written in a call: <c>JV303=error</c>.</summary>
internal static class SeverityWords
{
    /// <exception cref="CannotCheckException">One cannot be read, or cannot be set.</exception>
    public static BuildOptions Read(IReadOnlyList<string> words, bool isStrict)
    {
        try
        {
            return new BuildOptions
            {
                WarningsAreErrors = isStrict,
                Severities = words.Select(Read).GroupBy(pair => pair.Code).ToDictionary(same => same.Key, same => same.Last().Severity),
            };
        }
        catch (ArgumentException problem)
        {
            throw new CannotCheckException(problem.Message.Split(" (Parameter", 2)[0]);
        }
    }

    private static (string Code, Severity Severity) Read(string word)
    {
        string[] parts = word.Split('=', 2);
        return parts.Length == 2 && !int.TryParse(parts[1], out _) && Enum.TryParse(parts[1], ignoreCase: true, out Severity severity)
            ? (parts[0].ToUpperInvariant(), severity)
            : throw new CannotCheckException(
                $"'{word}' is not a severity: write CODE=error, CODE=warning or CODE=note, such as JV303=error.");
    }
}
