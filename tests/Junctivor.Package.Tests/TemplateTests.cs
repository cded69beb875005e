using System.Runtime.InteropServices;
using System.Text.Json;
using Junctivor.Tests.Shared;

namespace Junctivor.Package.Tests;

/// <summary>Each template is installed from the packed feed into a new folder, built, run and tested, as a new user would.</summary>
public sealed class TemplateTests(PackedLibrary packed)
{
    private static CancellationToken Token => TestContext.Current.CancellationToken;

    [Fact]
    public async Task A_console_program()
    {
        string folder = await CreateAsync("console", "NorthQuay");

        string berths = await RunAsync(folder, "dotnet", "NorthQuay/out/NorthQuay.dll", "Heron", "Gull");

        Assert.Matches("^[0-9:]+ Heron gets berth 1.\n[0-9:]+ Gull gets berth 2.\n$", berths.ReplaceLineEndings("\n"));
        await TestAsync(folder);
        await MustFailWithoutAsync(folder, "NorthQuay", "Scoped.Of<BerthLedger>(),", "JV101: BerthPlanner requires BerthLedger");
    }

    [Fact]
    public async Task A_worker_that_a_signal_stops_and_that_needs_no_web_server()
    {
        string folder = await CreateAsync("worker", "Tides");
        using JsonDocument configuration =
            JsonDocument.Parse(await File.ReadAllTextAsync(Path.Combine(folder, "Tides", "out", "Tides.runtimeconfig.json"), Token));
        Assert.Equal(
            "Microsoft.NETCore.App",
            configuration.RootElement.GetProperty("runtimeOptions").GetProperty("framework").GetProperty("name").GetString());

        (string? reading, int exitCode) = await RunningWorker.RunAsync(folder, "Tides/out/Tides.dll");

        Assert.Contains("The tide is at", reading, StringComparison.Ordinal);
        Assert.Equal(0, exitCode);
        await TestAsync(folder);
        await MustFailWithoutAsync(folder, "Tides", "Scoped.Of<TideLog>(),", "JV101: TideReader requires TideLog");
    }

    [Fact]
    public async Task A_wiring_that_is_changed_under_dotnet_watch_has_the_program_restarted()
    {
        string folder = await CreateAsync("worker", "Watched");
        string wiring = Path.Combine(folder, "Watched", "OfficeWiring.cs");
        using WatchedProgram program =
            new(folder, "Watched/Watched.csproj", Path.Combine(packed.Folder, "restored"), TimeSpan.FromMinutes(5));
        await program.LineWithAsync("Waiting for changes");

        await File.WriteAllTextAsync(
            wiring,
            (await File.ReadAllTextAsync(wiring, Token))
                .Replace("Scoped.Of<TideLog>()", "Transient.Of<TideLog>()", StringComparison.Ordinal),
            Token);

        // What the compiler wrote down of the wiring changes with it, which only a new start can apply: dotnet watch does that by itself.
        await program.LineWithAsync("Restart is needed to apply the changes");
        await program.LineWithAsync("The tide is at");
    }

    [Fact]
    public async Task A_web_server()
    {
        string folder = await CreateAsync("web", "Office-9");

        Assert.Equal(
            "Heron gets berth 1.",
            await RunningServer.AnswerAsync(folder, Path.Combine("Office-9", "out", "Office-9.dll"), "/berths/Heron"));
        await TestAsync(folder);
        await MustFailWithoutAsync(folder, "Office-9", "Scoped.Of<BerthLedger>(),", "JV101: BerthPlanner requires BerthLedger");
    }

    [Fact]
    public async Task A_web_server_that_is_published_as_one_trimmed_file()
    {
        string folder = await CreateAsync("web", "Pier");

        await RunAsync(
            folder, "dotnet", "publish", "Pier/Pier.csproj", "-c", "Release", "-r", RuntimeInformation.RuntimeIdentifier,
            "-p:PublishSingleFile=true", "-p:PublishTrimmed=true", "-warnaserror", "--nologo", "-v", "quiet", "-o", "published", Restoring);

        string published = Path.Combine(folder, "published");
        Assert.DoesNotContain(Directory.EnumerateFiles(published), file => Path.GetExtension(file) == ".dll");
        Assert.Equal("Heron gets berth 1.", await RunningServer.AnswerAsync(folder, Path.Combine(published, "Pier"), "/berths/Heron"));
    }

    /// <summary>One folder of packages for all of them, apart from that of the user, who may have an older one of this version.</summary>
    private string Restoring => $"-p:RestorePackagesPath={Path.Combine(packed.Folder, "restored")}";

    /// <summary>A program of a template, built; templates are installed for this folder alone.</summary>
    private async Task<string> CreateAsync(string template, string name)
    {
        string folder = Path.Combine(packed.Folder, $"template-{name}");
        string installed = Path.Combine(packed.Folder, $"installed-{name}");
        Directory.CreateDirectory(folder);
        await PackedLibrary.WriteSourcesAsync(folder);
        await RunAsync(folder, "dotnet", "new", "install", packed.FileOf("Junctivor.Templates"), "--debug:custom-hive", installed);
        await RunAsync(folder, "dotnet", "new", $"junctivor-{template}", "-n", name, "-o", ".", "--debug:custom-hive", installed);
        await RunAsync(
            folder, "dotnet", "build", Path.Combine(name, $"{name}.csproj"), "-warnaserror", "--nologo", "-v", "quiet",
            "-o", Path.Combine(name, "out"), Restoring);
        return folder;
    }

    /// <summary>Builds everything as its readme says, and runs the tests.</summary>
    private async Task TestAsync(string folder)
    {
        await RunAsync(folder, "dotnet", "build", "-warnaserror", "--nologo", "-v", "quiet", Restoring);
        string tested = await RunAsync(folder, "dotnet", "test", "--no-build");

        Assert.Matches("succeeded: 2", tested);
    }

    /// <summary>The compiler says what is missing where a registration is removed.</summary>
    private async Task MustFailWithoutAsync(string folder, string name, string registration, string fault)
    {
        string wiring = Path.Combine(folder, name, "OfficeWiring.cs");
        string text = await File.ReadAllTextAsync(wiring, Token);
        Assert.Contains(registration, text, StringComparison.Ordinal);
        await File.WriteAllTextAsync(wiring, text.Replace(registration, "", StringComparison.Ordinal), Token);

        InvalidOperationException failed = await Assert.ThrowsAsync<InvalidOperationException>(() => RunAsync(
            folder, "dotnet", "build", Path.Combine(name, $"{name}.csproj"), "--nologo", "-v", "quiet", Restoring));

        Assert.Contains($"error {fault}", failed.Message, StringComparison.Ordinal);
    }

    private static Task<string> RunAsync(string folder, string program, params string[] arguments) =>
        PackedLibrary.RunAsync(folder, program, arguments);
}
