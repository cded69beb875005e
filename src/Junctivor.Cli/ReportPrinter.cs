using Junctivor.Checks;
using Junctivor.Cli.Loading;
using Spectre.Console;

namespace Junctivor.Cli;

/// <summary>Prints reports for people: in colour on a terminal, plain elsewhere and with NO_COLOR.</summary>
internal sealed class ReportPrinter(TextWriter output)
{
    private readonly IAnsiConsole _console = AnsiConsole.Create(new AnsiConsoleSettings { Out = new AnsiConsoleOutput(output) });
    private bool _hasPrinted;

    public void Print(FoundWiring wiring, CheckReport report)
    {
        if (_hasPrinted)
        {
            output.WriteLine();
        }

        _hasPrinted = true;
        Colour(report.IsSound ? "green" : "red", $"{wiring.Name}: {report.Counts}");
        output.WriteLine($"  ({Amount(wiring.Wiring.Count)})");
        foreach (Fault fault in report.All)
        {
            output.WriteLine();
            Print(fault);
        }
    }

    private static string Amount(int registrations) => registrations == 1 ? "1 registration" : $"{registrations} registrations";

    private void Print(Fault fault)
    {
        string[] lines = fault.ToString().Split('\n', 2);
        string heading = $"{fault.Code} {fault.Name}:";
        Colour(ColourOf(fault.Severity), heading);
        output.WriteLine(lines[0][heading.Length..]);
        if (lines.Length > 1)
        {
            output.WriteLine(lines[1]);
        }
    }

    private static string ColourOf(Severity severity) => severity switch
    {
        Severity.Fault => "red",
        Severity.Warning => "yellow",
        _ => "blue",
    };

    /// <summary>The rest is written past the console, which would break long lines at the width of a terminal.</summary>
    private void Colour(string colour, string text) => _console.Markup($"[bold {colour}]{Markup.Escape(text)}[/]");
}
