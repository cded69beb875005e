using System.Diagnostics;
using System.Text.Json;
using Junctivor.Tests.Shared;

namespace Junctivor.Cli.Tests;

/// <summary>check on what one has at hand: the project in the current folder, a solution, a class library with packages.</summary>
public sealed class ProjectTests : IDisposable
{
    private const string Sound = "Singleton.Of<Ledger>()";
    private const string Faulty = "Singleton.Of<Desk>()";

    private readonly DirectoryInfo _folder = Directory.CreateTempSubdirectory("junctivor-project-");

    private static CancellationToken Token => TestContext.Current.CancellationToken;

    public void Dispose() => _folder.Delete(recursive: true);

    [Fact]
    public async Task The_project_of_the_current_folder_is_built_and_checked()
    {
        await Project("Office", Faulty);

        ProgramRun run = await In("Office", "check");

        Assert.Equal((1, ""), (run.Status, run.Errors));
        Assert.Contains("JV101 missing: Desk", run.Output, StringComparison.Ordinal);
    }

    [Fact]
    public async Task Of_a_solution_all_projects_with_wirings_are_checked_in_one_report()
    {
        await Project("Office", Faulty);
        await Project("Storage", Sound);
        await Project("Contracts", null);
        await File.WriteAllTextAsync(Path.Combine(_folder.FullName, "Harbour.slnx"), """
            <Solution>
              <Project Path="Office/Office.csproj" />
              <Project Path="Storage/Storage.csproj" />
              <Project Path="Contracts/Contracts.csproj" />
            </Solution>
            """, Token);

        ProgramRun run = await In(".", "check", "--format", "json");

        Assert.Equal((1, ""), (run.Status, run.Errors));
        using JsonDocument report = JsonDocument.Parse(run.Output);
        Assert.Equal(
            ["Office: Bookings False", "Storage: Bookings True"],
            report.RootElement.GetProperty("wirings").EnumerateArray()
                .Select(wiring => $"{wiring.GetProperty("name").GetString()} {wiring.GetProperty("isSound").GetBoolean()}").Order());
    }

    [Fact]
    public async Task A_library_finds_its_packages_where_they_were_restored()
    {
        string project = await Project("Library", "Singleton.Value<Serilog.ILogger>(new Serilog.LoggerConfiguration().CreateLogger())",
            """<PackageReference Include="Serilog" Version="4.4.0" />""");
        ProgramRun built = await In("Library", "check", project);
        string assembly = Path.Combine(_folder.FullName, "Library", "bin", "Debug", "net10.0", "Library.dll");
        bool isCopied = File.Exists(Path.Combine(Path.GetDirectoryName(assembly)!, "Serilog.dll"));
        ProgramRun alone = await In("Library", "check", assembly);
        string listed = Path.ChangeExtension(assembly, ".deps.json");
        await File.WriteAllTextAsync(
            listed, (await File.ReadAllTextAsync(listed, Token)).Replace("4.4.0", "94.4.0", StringComparison.Ordinal), Token);
        ProgramRun gone = await In("Library", "check", assembly);

        Assert.False(isCopied);
        Assert.Equal((0, "Bookings: sound  (1 registration)\n", ""), (built.Status, built.Output, built.Errors));
        Assert.Equal(built, alone);
        Assert.Equal((2, ""), (gone.Status, gone.Output));
        Assert.Matches("^junctivor: Library.dll: the package Serilog 94.4.0 is not in .*: run 'dotnet restore'.\n$", gone.Errors);
    }

    [Fact]
    public async Task What_does_not_build_says_why_in_one_line()
    {
        string project = await Project("Office", "Singleton.Of<Nobody>()");

        ProgramRun run = await In("Office", "check", project);

        Assert.Equal((2, ""), (run.Status, run.Output));
        Assert.Matches("^junctivor: Office.csproj does not build: .*CS0246.*'Nobody'.*\n$", run.Errors);
    }

    [Fact]
    public async Task What_is_not_there_or_not_one_is_told()
    {
        await Project("Contracts", null);
        ProgramRun without = await In("Contracts", "check");
        ProgramRun empty = await In(".", "check");
        ProgramRun nothing = await In(".", "check", "Nothing.csproj");
        await File.WriteAllTextAsync(Path.Combine(_folder.FullName, "One.slnx"), "<Solution />", Token);
        await File.WriteAllTextAsync(Path.Combine(_folder.FullName, "Two.slnx"), "<Solution />", Token);
        ProgramRun several = await In(".", "check");

        Assert.Equal(
            [
                "junctivor: Contracts.csproj has no wiring to check: put [CheckedWiring] on a public static property or method that returns a Wiring.\n",
                "junctivor: the current folder has no project and no solution: name one, or an assembly, such as bin/Debug/net10.0/Harbour.dll.\n",
                "junctivor: Nothing.csproj does not exist.\n",
                "junctivor: the current folder has several projects or solutions: name One.slnx or Two.slnx.\n",
            ],
            [without.Errors, empty.Errors, nothing.Errors, several.Errors]);
        Assert.All(new[] { without, empty, nothing, several }, run => Assert.Equal((2, ""), (run.Status, run.Output)));
    }

    [Theory]
    [InlineData("check", 2)]
    [InlineData("list", 2)]
    public async Task One_wiring_that_throws_does_not_keep_the_others(string command, int status)
    {
        using CompiledFolder compiled = new();
        string assembly = compiled.Compile("Office", """
            using Junctivor;

            public static class Office
            {
                [CheckedWiring]
                public static Wiring Broken => throw new System.InvalidOperationException("The tide is out.");

                [CheckedWiring]
                public static Wiring Sound => [Singleton.Of<Ledger>()];
            }

            public record Ledger;
            """, typeof(Wiring).Assembly.Location);

        ProgramRun run = await ProgramRun.Of("src/Junctivor.Cli", command, assembly);

        Assert.Equal(status, run.Status);
        Assert.StartsWith("Sound: ", run.Output, StringComparison.Ordinal);
        Assert.Equal(
            "junctivor: Office.dll: Office.Broken threw InvalidOperationException: The tide is out. Creating a wiring should have no side effects.\n",
            run.Errors);
    }

    [Theory]
    [InlineData("--format is text, json or sarif, not 'jsno' (similar: json). See 'junctivor check --help'.",
        "check", "X.dll", "--format", "jsno")]
    [InlineData("--format is text, json or html, not 'picture'. See 'junctivor compare --help'.",
        "compare", "X", "Y", "--format", "picture")]
    [InlineData("Required argument missing for option: '--path'. See 'junctivor draw --help'.", "draw", "X.dll", "--path", "A")]
    [InlineData("Required argument 'ASSEMBLY' missing for command: 'fix'. See 'junctivor fix --help'.", "fix")]
    [InlineData("--port must be a number from 1 to 65535. See 'junctivor demo --help'.", "demo", "--page", "--port", "0")]
    public async Task A_wrong_word_is_answered_by_one_line(string complaint, params string[] call)
    {
        ProgramRun run = await ProgramRun.Of("src/Junctivor.Cli", call);

        Assert.Equal((2, "", $"junctivor: {complaint}\n"), (run.Status, run.Output, run.Errors));
    }

    [Theory]
    [InlineData("singelton", "there is no lifetime 'singelton' (similar: singleton): --lifetime is singleton, scoped, transient or duty shift.")]
    [InlineData("forever", "there is no lifetime 'forever': --lifetime is singleton, scoped, transient or duty shift.")]
    public async Task A_lifetime_that_nothing_has_is_refused(string lifetime, string complaint)
    {
        ProgramRun run = await ProgramRun.Of("src/Junctivor.Cli", "list", ProgramRun.OutputOf("examples/Harbour"), "--lifetime", lifetime);

        Assert.Equal((2, "", $"junctivor: {complaint}\n"), (run.Status, run.Output, run.Errors));
    }

    /// <param name="name">The name of the project, and of its folder.</param>
    /// <param name="registrations">Those of its wiring; null for a project without one.</param>
    /// <param name="packages">What it references beside the library.</param>
    private async Task<string> Project(string name, string? registrations, string packages = "")
    {
        string folder = _folder.CreateSubdirectory(name).FullName;
        string project = Path.Combine(folder, $"{name}.csproj");
        await File.WriteAllTextAsync(project, $"""
            <Project Sdk="Microsoft.NET.Sdk">
              <PropertyGroup>
                <TargetFramework>net10.0</TargetFramework>
              </PropertyGroup>
              <ItemGroup>
                <Reference Include="{typeof(Wiring).Assembly.Location}" />
                {packages}
              </ItemGroup>
            </Project>
            """, Token);
        await File.WriteAllTextAsync(Path.Combine(folder, "Office.cs"), $$"""
            using Junctivor;

            public record Ledger;

            public record Desk(Ledger Ledger);

            {{(registrations is null ? "" : "public static class Office { [CheckedWiring] public static Wiring Bookings => [" + registrations + "]; }")}}
            """, Token);
        return project;
    }

    private Task<ProgramRun> In(string folder, params string[] call) => ProgramRun.OfProgram(
        new ProcessStartInfo("dotnet", [ProgramRun.OutputOf("src/Junctivor.Cli"), .. call])
        {
            WorkingDirectory = Path.Combine(_folder.FullName, folder),
            Environment = { ["COLUMNS"] = "120" },
        },
        "");
}
