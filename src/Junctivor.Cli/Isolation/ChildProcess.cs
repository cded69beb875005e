using System.Diagnostics;
using System.Globalization;
using System.IO.Pipes;
using System.Reflection;
using System.Text.Json;
using Junctivor.Cli.Loading;
using Junctivor.Cli.Output;

namespace Junctivor.Cli.Isolation;

/// <summary>
/// Runs the same call in a process of its own, as it runs code of an assembly: that may end its process, hold on to it, write to standard
/// output, or never return.
/// </summary>
internal static class ChildProcess
{
    /// <summary>How long the output may take to arrive after the process has exited.</summary>
    private static readonly TimeSpan Rest = TimeSpan.FromSeconds(2);

    /// <param name="arguments">The arguments of this process.</param>
    /// <param name="what">What is read, for messages.</param>
    /// <param name="limit">For how long it is waited for.</param>
    /// <returns>What it wrote, and its exit status.</returns>
    /// <exception cref="CannotCheckException">There was no answer.</exception>
    public static ChildResult Run(IReadOnlyList<string> arguments, string what, TimeSpan limit) =>
        Waiting.While($"Reading {what} …", () => Ask(arguments, what, limit));

    private static ChildResult Ask(IReadOnlyList<string> arguments, string what, TimeSpan limit)
    {
        using AnonymousPipeServerStream pipe = new(PipeDirection.In, HandleInheritability.Inheritable);
        using Process process = Start(arguments, pipe.GetClientHandleAsString());
        pipe.DisposeLocalCopyOfClientHandle();
        Task<string> printed = ReadAsync(process.StandardOutput);
        Task<string> complained = ReadAsync(process.StandardError);
        using StreamReader reader = new(pipe);
        Task<string?> answering = reader.ReadLineAsync();
        try
        {
            if (Task.WaitAny([answering, process.WaitForExitAsync()], limit) < 0)
            {
                throw new CannotCheckException(string.Create(
                    CultureInfo.InvariantCulture,
                    $"{what}: its wiring code did not return within {limit.TotalSeconds:0.###} s. A wiring should only register: remove what it waits for, or increase --limit if it is only slow."));
            }

            // What the code has started may hold on to the pipe, so that its end never comes.
            if (!answering.Wait(Rest) || answering.Result is not { } line)
            {
                process.WaitForExit(Rest);
                throw new CannotCheckException(
                    $"{what}: its wiring code ended the process{StatusOf(process)}{LastWords(complained)}. A wiring should only "
                        + "register, and do nothing else.");
            }

            Pass(printed, complained, process);
            return JsonSerializer.Deserialize<ChildResult>(line)!;
        }
        finally
        {
            Kill(process);
        }
    }

    private static Process Start(IReadOnlyList<string> arguments, string pipe)
    {
        string host = Environment.ProcessPath!;
        bool isDotnet = string.Equals(Path.GetFileNameWithoutExtension(host), "dotnet", StringComparison.OrdinalIgnoreCase);
        ProcessStartInfo start = new(host, isDotnet ? [Assembly.GetEntryAssembly()!.Location, .. arguments] : arguments)
        {
            RedirectStandardInput = true,
            RedirectStandardOutput = true,
            RedirectStandardError = true,
            Environment =
            {
                [ChildMode.Pipe] = pipe,
                ["COLUMNS"] = Terminal.Width.ToString(CultureInfo.InvariantCulture),
            },
        };
        // A host that is only created, to read its endpoints, has nothing to tell.
        start.Environment.TryAdd("Logging__Console__LogLevel__Default", "None");
        if (Terminal.Colors is { } colors)
        {
            start.Environment[ChildMode.Colors] = colors;
        }

        Process process = Process.Start(start)!;
        process.StandardInput.Close();
        return process;
    }

    private static async Task<string> ReadAsync(StreamReader reader)
    {
        try
        {
            return await reader.ReadToEndAsync().ConfigureAwait(false);
        }
        catch (ObjectDisposedException)
        {
            return "";
        }
    }

    /// <summary>What the code wrote itself goes to standard error: it is no result.</summary>
    private static void Pass(Task<string> printed, Task<string> complained, Process process)
    {
        Kill(process);
        if (Task.WaitAll([printed, complained], Rest))
        {
            Terminal.Errors.Write(printed.Result);
            Terminal.Errors.Write(complained.Result);
        }
    }

    private static string StatusOf(Process process) => process.HasExited ? $" with status {process.ExitCode}" : "";

    /// <summary>The first line that the process wrote to standard error, such as the exception that ended it.</summary>
    private static string LastWords(Task<string> complained)
    {
        string line = complained.Wait(Rest) ? complained.Result.Split('\n', 2)[0].Trim().TrimEnd('.') : "";
        return line.Length == 0 ? "" : $": {line}";
    }

    private static void Kill(Process process)
    {
        try
        {
            process.Kill(entireProcessTree: true);
        }
        catch (Exception failure) when (failure is InvalidOperationException or System.ComponentModel.Win32Exception)
        {
            // It is disposed by itself.
        }
    }
}
