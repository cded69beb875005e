using System.CommandLine;
using Junctivor.Checks;
using Junctivor.Cli.Loading;
using Junctivor.Cli.Output;
using Junctivor.Reports.Faults;
using Junctivor.Reports.Text;

namespace Junctivor.Cli.Commands;

/// <summary>junctivor fault: what the documentation says of a code; without one, all codes.</summary>
internal static class FaultCommand
{
    /// <summary>The command with its arguments and options.</summary>
    public static Command Create()
    {
        Argument<string?> code = new("CODE")
        {
            Description = "A code such as JV301; without one, all codes are listed.",
            Arity = ArgumentArity.ZeroOrOne,
        };
        Command fault = new("fault", "Explains a fault code: what it means, why it matters, how to fix it.") { code };
        fault.SetAction(arguments => Run(arguments.GetValue(code)));
        return fault;
    }

    public static int Run(string? code)
    {
        Screen screen = new(Terminal.Out);
        if (code is null)
        {
            screen.Write(Columns.Lay([.. FaultKind.All.Select(Row)], screen.Width));
            return ExitStatus.Sound;
        }

        string section = FaultKind.Find(code) is { } kind ? FaultSections.Of(kind) : FaultSections.Find(code)
            ?? throw new CannotCheckException($"there is no fault code '{code}': 'junctivor fault' lists them.");
        Terminal.Out.Write(string.Join('\n', MarkdownWrapping.Lines(section, screen.Width)));
        return ExitStatus.Sound;
    }

    private static IReadOnlyList<Piece> Row(FaultKind kind) =>
        [new Piece(kind.Code, Tone.Strong), kind.Name, new Piece(kind.Severity.ToString().ToLowerInvariant(), Tone.Faint), kind.Meaning];
}
