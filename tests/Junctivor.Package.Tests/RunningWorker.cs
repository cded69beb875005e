using System.Diagnostics;

namespace Junctivor.Package.Tests;

/// <summary>A program that runs until it is told to stop, as a process of its own.</summary>
internal static class RunningWorker
{
    private const int Termination = 15;

    /// <summary>Starts it, reads a line, and stops it by a signal.</summary>
    public static async Task<(string? FirstLine, int ExitCode)> RunAsync(string folder, string program)
    {
        using Process worker = Process.Start(new ProcessStartInfo("dotnet", [program])
        {
            WorkingDirectory = folder,
            RedirectStandardOutput = true,
        })!;
        string? first = await worker.StandardOutput.ReadLineAsync(TestContext.Current.CancellationToken);
        await PackedLibrary.RunAsync(folder, "kill", $"-{Termination}", $"{worker.Id}");
        await worker.WaitForExitAsync(TestContext.Current.CancellationToken);
        return (first, worker.ExitCode);
    }
}
