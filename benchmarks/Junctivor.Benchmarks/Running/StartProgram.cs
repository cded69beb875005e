using System.Diagnostics;
using System.Globalization;
using System.Runtime.InteropServices;

namespace Junctivor.Benchmarks.Running;

/// <summary>The program of which the start is measured: published once, with the library precompiled as in its package, or as it
/// is.</summary>
/// <param name="isPrecompiled">Whether the library is precompiled.</param>
internal sealed class StartProgram(bool isPrecompiled)
{
    private string? _published;

    /// <summary>Publishes it where that has not been done.</summary>
    public void Publish()
    {
        if (_published is not null)
        {
            return;
        }

        string folder = Path.Combine(AppContext.BaseDirectory, isPrecompiled ? "start-precompiled" : "start-portable");
        string project = Path.Combine(RepositoryRoot, "benchmarks", "Start");
        _ = Run(
            "publish", project, "-c", "Release", "-r", RuntimeInformation.RuntimeIdentifier, "--self-contained", "false", "--nologo", "-v",
            "quiet", $"-p:PublishReadyToRun={isPrecompiled}", "-o", folder);
        _published = Path.Combine(folder, "Start.dll");
    }

    /// <summary>Runs it to its end.</summary>
    public void Serve(string how) => Run(_published!, how);

    /// <summary>Runs it to its end.</summary>
    /// <returns>The time that it tells.</returns>
    public TimeSpan Time(string what, int services) =>
        TimeSpan.FromMicroseconds(int.Parse(Run(_published!, what, $"{services}"), CultureInfo.InvariantCulture));

    private static string RepositoryRoot
    {
        get
        {
            DirectoryInfo? folder = new(AppContext.BaseDirectory);
            while (folder is not null && !File.Exists(Path.Combine(folder.FullName, "Junctivor.slnx")))
            {
                folder = folder.Parent;
            }

            return folder?.FullName ?? throw new DirectoryNotFoundException("Run the benchmarks from within the repository.");
        }
    }

    private static string Run(params string[] arguments)
    {
        using Process process = Process.Start(new ProcessStartInfo("dotnet", arguments) { RedirectStandardOutput = true })!;
        string output = process.StandardOutput.ReadToEnd();
        process.WaitForExit();
        return process.ExitCode == 0
            ? output
            : throw new InvalidOperationException($"dotnet {arguments[0]} ended with {process.ExitCode}: {output}");
    }
}
