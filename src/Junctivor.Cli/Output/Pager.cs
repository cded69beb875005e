using System.ComponentModel;
using System.Diagnostics;
using System.Globalization;
using System.Runtime.InteropServices;
using System.Text;

namespace Junctivor.Cli.Output;

/// <summary>Shows a text that is longer than the terminal page by page: with the program that the variable PAGER names, or with
/// <c>less</c>. Elsewhere, and where there is no such program, it is written as it is.</summary>
internal static class Pager
{
    /// <summary>Does the work, and shows what it writes.</summary>
    public static int While(Func<int> work)
    {
        if (!Terminal.IsInteractive)
        {
            return work();
        }

        using StringWriter text = new(CultureInfo.InvariantCulture) { NewLine = "\n" };
        string? colors = Terminal.Colors;
        Terminal.WriteTo(text, Console.Error, colors);
        int status = work();
        Terminal.WriteHere();
        Show(text.ToString());
        return status;
    }

    public static void Show(string text)
    {
        if (!Terminal.IsInteractive || text.AsSpan().Count('\n') < Terminal.Height || !TryShow(text))
        {
            Terminal.Out.Write(text);
        }
    }

    private static bool TryShow(string text)
    {
        string? named = Environment.GetEnvironmentVariable("PAGER");
        if (named is "")
        {
            return false;
        }

        // What interrupts the pager is not to end this process before it.
        using PosixSignalRegistration interrupt = PosixSignalRegistration.Create(PosixSignal.SIGINT, signal => signal.Cancel = true);
        try
        {
            using Process pager = Process.Start(StartOf(named))!;
            try
            {
                pager.StandardInput.Write(text);
                pager.StandardInput.Close();
            }
            catch (IOException)
            {
                // The reader has seen enough.
            }

            pager.WaitForExit();
            return true;
        }
        catch (Win32Exception)
        {
            return false;
        }
    }

    private static ProcessStartInfo StartOf(string? named)
    {
        (string program, string[] arguments) = named is null ? ("less", ["-R"])
            : OperatingSystem.IsWindows() ? ("cmd", ["/c", named])
            : ("sh", new[] { "-c", named });
        return new ProcessStartInfo(program, arguments)
        {
            RedirectStandardInput = true,
            StandardInputEncoding = new UTF8Encoding(encoderShouldEmitUTF8Identifier: false),
        };
    }
}
