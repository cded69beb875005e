using Spectre.Console;

namespace Junctivor.Cli.Output;

/// <summary>Where the command writes, and how that shows what is written.</summary>
internal static class Terminal
{
    private const int WidthElsewhere = 120;
    private const int LeastWidth = 40;

    private static TextWriter? OtherOut;
    private static TextWriter? OtherErrors;
    private static string? OtherColors;

    /// <summary>Whether another process waits for what is written.</summary>
    public static bool IsElsewhere => OtherOut is not null;

    public static TextWriter Out => OtherOut ?? Console.Out;

    public static TextWriter Errors => OtherErrors ?? Console.Error;

    /// <summary>How many letters a line may have: as the terminal is wide, or as COLUMNS says.</summary>
    public static int Width => Math.Max(
        int.TryParse(Environment.GetEnvironmentVariable("COLUMNS"), out int width) && width > 0 ? width
        : Console.IsOutputRedirected ? WidthElsewhere
        : Console.WindowWidth,
        LeastWidth);

    /// <summary>How many lines it shows: as the terminal is high, or as LINES says.</summary>
    public static int Height =>
        int.TryParse(Environment.GetEnvironmentVariable("LINES"), out int height) && height > 0 ? height : Console.WindowHeight;

    /// <summary>Whether somebody sits there, and sees what is written.</summary>
    public static bool IsInteractive => !IsElsewhere && !Console.IsOutputRedirected && !Console.IsInputRedirected;

    /// <summary>How colors are shown: on a terminal, unless NO_COLOR is set; null if they are not.</summary>
    public static string? Colors
    {
        get
        {
            if (OtherOut is not null)
            {
                return OtherColors;
            }

            Capabilities can =
                AnsiConsole.Create(new AnsiConsoleSettings { Out = new AnsiConsoleOutput(Console.Out) }).Profile.Capabilities;
            return can.Ansi ? can.ColorSystem.ToString() : null;
        }
    }

    /// <summary>From now on, the command writes elsewhere, for a terminal that shows colors so.</summary>
    public static void WriteTo(TextWriter output, TextWriter errors, string? colors) =>
        (OtherOut, OtherErrors, OtherColors) = (output, errors, colors);

    /// <summary>From now on, the command writes to its own terminal again.</summary>
    public static void WriteHere() => (OtherOut, OtherErrors, OtherColors) = (null, null, null);
}
