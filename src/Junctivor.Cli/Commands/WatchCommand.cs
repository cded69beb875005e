using System.Globalization;
using System.Runtime.InteropServices;
using Junctivor.Cli.Isolation;
using Junctivor.Cli.Loading;
using Junctivor.Cli.Output;
using Spectre.Console;

namespace Junctivor.Cli.Commands;

/// <summary>junctivor check --watch: checks again whenever the assembly is built again, and keeps the last report on the screen.</summary>
/// <param name="assembly">The assembly.</param>
/// <param name="check">Checks it.</param>
internal sealed class WatchCommand(FileInfo assembly, Func<ChildResult> check)
{
    private static readonly TimeSpan Pause = TimeSpan.FromMilliseconds(300);

    private ChildResult? _last;

    /// <summary>Runs until it is interrupted.</summary>
    /// <returns>The exit status of the last check.</returns>
    public int Run()
    {
        using CancellationTokenSource end = new();
        using PosixSignalRegistration interrupt = PosixSignalRegistration.Create(PosixSignal.SIGINT, End);
        using PosixSignalRegistration terminate = PosixSignalRegistration.Create(PosixSignal.SIGTERM, End);

        if (!assembly.Exists)
        {
            ChildResult complaint = Check();
            Terminal.Errors.Write(complaint.Errors);
            return complaint.Status;
        }

        string? seen = null;
        while (!end.IsCancellationRequested)
        {
            string? built = Built();
            if (built is not null && built != seen)
            {
                seen = built;
                CheckAgain();
            }

            // A build that is under way goes on changing files: two looks must find the same.
            do
            {
                built = Built();
                end.Token.WaitHandle.WaitOne(Pause);
            }
            while (!end.IsCancellationRequested && (built is null || built != Built()));
        }

        return _last?.Status ?? ExitStatus.CannotCheck;

        void End(PosixSignalContext signal)
        {
            signal.Cancel = true;
            end.Cancel();
        }
    }

    private void CheckAgain()
    {
        if (_last is not null)
        {
            WriteLine($"{assembly.Name} was built again: checking …");
        }

        ChildResult result = Check();
        string failed = result.Status == ExitStatus.CannotCheck ? result.Errors.Trim() : "";
        if (failed.Length == 0 || _last is null)
        {
            _last = result;
        }

        // What cannot be read, such as in the middle of a build, leaves the last report where it is.
        Clear();
        Terminal.Out.Write(_last.Output);
        if (failed.Length > 0)
        {
            WriteLine(failed);
        }

        WriteLine(string.Create(
            CultureInfo.InvariantCulture,
            $"Checked at {DateTime.Now:HH:mm:ss}. Waiting until {assembly.Name} is built again; Ctrl+C ends it."));
    }

    private ChildResult Check()
    {
        try
        {
            return check();
        }
        catch (CannotCheckException problem)
        {
            return new ChildResult(ExitStatus.CannotCheck, "", $"junctivor: {problem.Message}\n");
        }
    }

    private static void Clear()
    {
        if (!Console.IsOutputRedirected)
        {
            AnsiConsole.Clear();
        }
    }

    private static void WriteLine(string line)
    {
        Terminal.Out.WriteLine(line);
        Terminal.Out.Flush();
    }

    /// <summary>When the assemblies of the folder were written; null as long as the one to check is not there.</summary>
    private string? Built()
    {
        assembly.Refresh();
        try
        {
            return assembly.Exists
                ? string.Join(' ', assembly.Directory!.EnumerateFiles("*.dll").OrderBy(file => file.Name, StringComparer.Ordinal)
                    .Select(file => file.LastWriteTimeUtc.Ticks))
                : null;
        }
        catch (IOException)
        {
            return null;
        }
    }
}
