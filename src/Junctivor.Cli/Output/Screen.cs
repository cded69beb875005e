using Junctivor.Reports.Faults;
using Junctivor.Reports.Text;
using Spectre.Console;

namespace Junctivor.Cli.Output;

/// <summary>Writes for people: in color and as wide as the terminal shows it, plain elsewhere.</summary>
internal sealed class Screen
{
    private readonly TextWriter _output;
    private readonly IAnsiConsole _console;
    private bool _hasWritten;

    public Screen(TextWriter output)
    {
        _output = output;
        string? colors = output == Terminal.Out ? Terminal.Colors : null;
        _console = AnsiConsole.Create(new AnsiConsoleSettings
        {
            Out = new AnsiConsoleOutput(output),
            Ansi = colors is null ? AnsiSupport.No : AnsiSupport.Yes,
            ColorSystem = Enum.TryParse(colors, out ColorSystemSupport system) ? system : ColorSystemSupport.NoColors,
        });
        _console.Profile.Width = int.MaxValue;
        Width = Terminal.Width;
    }

    /// <summary>How many letters a line may have.</summary>
    public int Width { get; }

    /// <summary>An empty line between two parts, and none before the first.</summary>
    public void StartPart()
    {
        if (_hasWritten)
        {
            _output.WriteLine();
        }

        _hasWritten = true;
    }

    public void Write(IEnumerable<IReadOnlyList<Piece>> lines)
    {
        foreach (IReadOnlyList<Piece> line in lines)
        {
            Write(line);
        }
    }

    public void Write(NamedReport report)
    {
        StartPart();
        Write(CheckText.Lay(report, Width));
    }

    public void Write(IReadOnlyList<UnfollowedWiring> unfollowed)
    {
        if (unfollowed.Count > 0)
        {
            StartPart();
            Write(CheckText.Lay(unfollowed, Width));
        }
    }

    private void Write(IReadOnlyList<Piece> line)
    {
        foreach (Piece piece in line)
        {
            if (StyleOf(piece.Tone) is { } style)
            {
                _console.Markup($"[{style}]{Markup.Escape(piece.Text)}[/]");
            }
            else
            {
                _output.Write(piece.Text);
            }
        }

        _output.WriteLine();
    }

    private static string? StyleOf(Tone tone) => tone switch
    {
        Tone.Strong => "bold",
        Tone.Faint => "grey50",
        Tone.Good => "bold green",
        Tone.Note => "blue",
        Tone.Warning => "bold olive",
        Tone.Bad => "bold red",
        _ => null,
    };
}
