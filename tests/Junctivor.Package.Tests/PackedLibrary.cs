using System.Diagnostics;

[assembly: AssemblyFixture(typeof(Junctivor.Package.Tests.PackedLibrary))]

namespace Junctivor.Package.Tests;

/// <summary>The packages of the libraries, made once for all tests by eng/pack in a folder of their own.</summary>
public sealed class PackedLibrary : IAsyncLifetime
{
    public string Folder { get; } = Directory.CreateTempSubdirectory("junctivor-package-").FullName;

    public string File => FileOf("Junctivor");

    /// <summary>The package of a project.</summary>
    public string FileOf(string project) => Path.Combine(Folder, "packages", $"{project}.{Version}.nupkg");

    public static string Version => typeof(PackedLibrary).Assembly.GetName().Version!.ToString(3);

    public static string RepositoryRoot
    {
        get
        {
            DirectoryInfo? folder = new(AppContext.BaseDirectory);
            while (folder is not null && !System.IO.File.Exists(Path.Combine(folder.FullName, "Junctivor.slnx")))
            {
                folder = folder.Parent;
            }

            return folder?.FullName ?? throw new DirectoryNotFoundException("Run the tests from within the repository.");
        }
    }

    public async ValueTask InitializeAsync() =>
        await RunAsync(
            Folder, "bash", Path.Combine(RepositoryRoot, "eng", "pack"), Path.Combine(Folder, "packages"),
            "Junctivor", "Junctivor.Reports", "Junctivor.Hosting", "Junctivor.AspNetCore", "Junctivor.Testing", "Junctivor.Templates");

    public ValueTask DisposeAsync()
    {
        Directory.Delete(Folder, recursive: true);
        return ValueTask.CompletedTask;
    }

    /// <summary>Our packages come from the folder that they were packed into, and all others from where they always do.</summary>
    public static async Task WriteSourcesAsync(string folder)
    {
        await System.IO.File.WriteAllTextAsync(Path.Combine(folder, "nuget.config"), """
            <configuration>
              <packageSources>
                <add key="packed" value="../packages" />
              </packageSources>
            </configuration>
            """, TestContext.Current.CancellationToken);
    }

    /// <summary>Runs a program to its end; what it wrote.</summary>
    public static async Task<string> RunAsync(string folder, string program, params string[] arguments)
    {
        ProcessStartInfo start = new(program, arguments)
        {
            WorkingDirectory = folder,
            RedirectStandardOutput = true,
            RedirectStandardError = true,
        };
        using Process process = Process.Start(start)!;
        Task<string> output = process.StandardOutput.ReadToEndAsync(TestContext.Current.CancellationToken);
        Task<string> errors = process.StandardError.ReadToEndAsync(TestContext.Current.CancellationToken);
        await process.WaitForExitAsync(TestContext.Current.CancellationToken);
        return process.ExitCode == 0
            ? await output
            : throw new InvalidOperationException($"{program} ended with {process.ExitCode}:\n{await output}\n{await errors}");
    }
}
