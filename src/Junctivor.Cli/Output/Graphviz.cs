using System.ComponentModel;
using System.Diagnostics;
using System.Text;
using Junctivor.Cli.Loading;

namespace Junctivor.Cli.Output;

/// <summary>Lays out drawings with the program <c>dot</c> of Graphviz, where it is installed.</summary>
internal static class Graphviz
{
    private const string Program = "dot";

    /// <summary>The picture.</summary>
    /// <param name="dot">The drawing, in the language of Graphviz.</param>
    /// <exception cref="CannotCheckException">Graphviz is not installed, or could not lay it out.</exception>
    public static string ToSvg(string dot)
    {
        using Process process = Start();
        Task<string> svg = process.StandardOutput.ReadToEndAsync();
        Task<string> complaint = process.StandardError.ReadToEndAsync();
        process.StandardInput.Write(dot);
        process.StandardInput.Close();
        process.WaitForExit();
        return process.ExitCode == 0
            ? svg.Result
            : throw new CannotCheckException($"'{Program}' of Graphviz could not lay out the drawing: {complaint.Result.Trim()}");
    }

    private static Process Start()
    {
        ProcessStartInfo start = new(Program, ["-Tsvg"])
        {
            RedirectStandardInput = true,
            RedirectStandardOutput = true,
            RedirectStandardError = true,
            StandardInputEncoding = new UTF8Encoding(encoderShouldEmitUTF8Identifier: false),
            StandardOutputEncoding = Encoding.UTF8,
        };
        try
        {
            return Process.Start(start)!;
        }
        catch (Win32Exception)
        {
            throw new CannotCheckException(
                $"--format svg needs the program '{Program}' of Graphviz, which was not found: install Graphviz (on Debian 'apt-get install "
                    + "graphviz'), or write --format dot or mermaid and lay it out elsewhere.");
        }
    }
}
