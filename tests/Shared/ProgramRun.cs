using System.Diagnostics;

namespace Junctivor.Tests.Shared;

/// <summary>A program of this repository, run as a process.</summary>
internal sealed record ProgramRun(int Status, string Output, string Errors)
{
    /// <summary>Runs what a project built, in the configuration that the tests were built in.</summary>
    public static Task<ProgramRun> Of(string project, params string[] arguments) => AsWideAs(120, project, arguments);

    /// <summary>The same, with so many letters to a line.</summary>
    public static Task<ProgramRun> AsWideAs(int columns, string project, params string[] arguments) =>
        With("COLUMNS", $"{columns}", project, arguments);

    /// <summary>The same, with a variable of the environment.</summary>
    public static Task<ProgramRun> With(string variable, string value, string project, params string[] arguments) =>
        OfProgram(
            new ProcessStartInfo(DotNet, [OutputOf(project), .. arguments])
            {
                Environment = { ["COLUMNS"] = "120", [variable] = value },
            },
            "");

    /// <summary>Any program, with what it reads from standard input.</summary>
    public static async Task<ProgramRun> OfProgram(ProcessStartInfo start, string input)
    {
        start.RedirectStandardInput = true;
        start.RedirectStandardOutput = true;
        start.RedirectStandardError = true;
        using Process process = Process.Start(start)!;
        await process.StandardInput.WriteAsync(input);
        process.StandardInput.Close();
        Task<string> output = process.StandardOutput.ReadToEndAsync(TestContext.Current.CancellationToken);
        Task<string> errors = process.StandardError.ReadToEndAsync(TestContext.Current.CancellationToken);
        await process.WaitForExitAsync(TestContext.Current.CancellationToken);
        return new ProgramRun(process.ExitCode, await output, await errors);
    }

    /// <summary>Where the SDK is, as a search would find it.</summary>
    private static string DotNet => (Environment.GetEnvironmentVariable("PATH") ?? "").Split(Path.PathSeparator)
        .Select(folder => Path.Combine(folder, "dotnet"))
        .FirstOrDefault(File.Exists) ?? "dotnet";

    /// <summary>The assembly that a project built.</summary>
    /// <param name="project">Its folder, from the root of the repository.</param>
    public static string OutputOf(string project)
    {
        string[] built = AppContext.BaseDirectory.TrimEnd(Path.DirectorySeparatorChar).Split(Path.DirectorySeparatorChar);
        return Path.Combine([RepositoryRoot, .. project.Split('/'), "bin", .. built[^2..], $"{project.Split('/')[^1]}.dll"]);
    }

    public static string RepositoryRoot
    {
        get
        {
            DirectoryInfo? folder = new(AppContext.BaseDirectory);
            while (folder is not null && !File.Exists(Path.Combine(folder.FullName, "Junctivor.slnx")))
            {
                folder = folder.Parent;
            }

            return folder?.FullName ?? throw new DirectoryNotFoundException("Run the tests from within the repository.");
        }
    }
}
