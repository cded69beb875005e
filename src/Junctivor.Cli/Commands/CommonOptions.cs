using System.CommandLine;
using System.CommandLine.Parsing;
using System.Globalization;
using Junctivor.Reports.Text;

namespace Junctivor.Cli.Commands;

/// <summary>The arguments and options that several commands have.</summary>
internal static class CommonOptions
{
    private const double DefaultLimit = 60;
    private const double MostSeconds = 86_400;

    public static Argument<FileInfo> File() =>
        new("ASSEMBLY") { Description = "The assembly that contains the wirings, or a saved graph (.json)." };

    public static Option<string?> Wiring(string description) => new("--wiring") { Description = description, HelpName = "NAME" };

    /// <summary>The option --format. Each value is a word; a wrong one is rejected, with a list of the right ones.</summary>
    public static Option<T> Format<T>(string description)
        where T : struct, Enum
    {
        string[] words = [.. Enum.GetNames<T>().Select(name => name.ToLowerInvariant())];
        return new Option<T>("--format")
        {
            Description = description,
            HelpName = string.Join('|', words),
            CustomParser = result =>
            {
                int number = Array.IndexOf(words, result.Tokens[0].Value.ToLowerInvariant());
                if (number >= 0)
                {
                    return Enum.GetValues<T>()[number];
                }

                string given = result.Tokens[0].Value;
                result.AddError($"--format is {Words.Or(words)}, not '{given}'{Words.Near(words, given)}.");
                return default;
            },
        };
    }

    public static Option<bool> Strict() => new("--strict") { Description = "Count warnings as errors." };

    public static Option<string[]> Severity() => new("--severity")
    {
        Description = "Set the severity of a code, such as JV303=error; can be repeated.",
        HelpName = "CODE=error|warning|note",
    };

    public static Option<FileInfo?> Output() =>
        new("--output") { Description = "Write to this file instead of standard output.", HelpName = "FILE" };

    public static Option<double> Limit(double seconds = DefaultLimit)
    {
        Option<double> limit = new("--limit")
        {
            Description = "The time limit, in seconds, for the wiring code of an assembly.",
            HelpName = "SECONDS",
            DefaultValueFactory = _ => seconds,
        };
        limit.Validators.Add(result =>
        {
            if (result.Tokens is [Token only, ..]
                && !(double.TryParse(only.Value, CultureInfo.InvariantCulture, out double seconds) && seconds is > 0 and <= MostSeconds))
            {
                result.AddError($"--limit must be a number of seconds, greater than 0 and at most {MostSeconds}.");
            }
        });
        return limit;
    }
}
