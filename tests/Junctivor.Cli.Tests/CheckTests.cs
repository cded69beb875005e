using Junctivor.Tests.Shared;

namespace Junctivor.Cli.Tests;

public class CheckTests
{
    private static readonly string Here = typeof(CheckTests).Assembly.Location;

    [Fact]
    public async Task The_harbours_own_web_assembly_is_sound()
    {
        ProgramRun run = await Check(ProgramRun.OutputOf("examples/Harbour"));

        Assert.Equal((0, ""), (run.Status, run.Errors));
        Assert.StartsWith("office: sound", run.Output, StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_library_that_names_no_framework_is_checked_as_well()
    {
        string folder = Directory.CreateTempSubdirectory("junctivor-library-").FullName;
        try
        {
            string built = ProgramRun.OutputOf("examples/Harbour");
            foreach (string file in Directory.EnumerateFiles(Path.GetDirectoryName(built)!, "*.dll"))
            {
                File.Copy(file, Path.Combine(folder, Path.GetFileName(file)));
            }

            ProgramRun run = await Check(Path.Combine(folder, Path.GetFileName(built)));

            Assert.Equal((0, ""), (run.Status, run.Errors));
        }
        finally
        {
            Directory.Delete(folder, recursive: true);
        }
    }

    [Fact]
    public async Task A_sound_wiring_ends_with_0()
    {
        ProgramRun run = await Check(Here, "--wiring", "Sound");

        Assert.Equal((0, "Sound: sound  (1 registration)\n", ""), (run.Status, run.Output.ReplaceLineEndings("\n"), run.Errors));
    }

    [Fact]
    public async Task Faults_go_to_standard_output_all_at_once_and_end_with_1()
    {
        ProgramRun run = await Check(Here, "--wiring", "faulty");

        Assert.Equal((1, ""), (run.Status, run.Errors));
        Assert.Contains("faulty: 2 faults", run.Output, StringComparison.Ordinal);
        Assert.Contains("JV101 missing: Mooring asks for Anchor", run.Output, StringComparison.Ordinal);
        Assert.Contains("JV301 captive: Bollard (singleton) holds Rope (scoped)", run.Output, StringComparison.Ordinal);
        Assert.Contains("MarkedWirings.cs:10", run.Output, StringComparison.Ordinal);
        Assert.DoesNotContain("\u001b", run.Output, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("throwing", "MarkedWirings.Throwing threw InvalidOperationException: The tide is out.")]
    [InlineData("empty-handed", "MarkedWirings.EmptyHanded gives null")]
    [InlineData("misplaced", "is no public static property or method")]
    [InlineData("none", "has no wiring 'none'; it has empty-handed, faulty, misplaced, Sound, throwing.")]
    public async Task A_root_that_cannot_be_read_is_one_line_and_ends_with_2(string wiring, string line)
    {
        AssertComplaint(await Check(Here, "--wiring", wiring), line);
    }

    [Fact]
    public async Task A_missing_file_is_one_line_and_ends_with_2() =>
        AssertComplaint(await Check("nowhere.dll"), "nowhere.dll does not exist: build the project");

    [Fact]
    public async Task A_file_that_is_no_assembly_is_one_line_and_ends_with_2() =>
        AssertComplaint(await Check(Path.ChangeExtension(Here, ".runtimeconfig.json")), "is no .NET assembly");

    [Fact]
    public async Task A_folder_is_one_line_and_ends_with_2() =>
        AssertComplaint(await Check(AppContext.BaseDirectory), "is a folder: name the assembly in it");

    [Fact]
    public async Task An_assembly_without_a_root_is_one_line_and_ends_with_2() =>
        AssertComplaint(await Check(typeof(Assert).Assembly.Location), "has no wiring to check: mark a public static property");

    [Fact]
    public async Task A_word_that_the_command_does_not_know_ends_with_2()
    {
        ProgramRun run = await ProgramRun.Of("src/Junctivor.Cli", "chekc");

        Assert.Equal(2, run.Status);
        Assert.Contains("chekc", run.Errors, StringComparison.Ordinal);
    }

    [Fact]
    public async Task The_demo_shows_a_sound_wiring_and_one_with_mistakes()
    {
        ProgramRun run = await ProgramRun.Of("src/Junctivor.Cli", "demo");

        Assert.Equal((0, ""), (run.Status, run.Errors));
        Assert.Contains("a sound harbour: sound", run.Output, StringComparison.Ordinal);
        Assert.Contains("a harbour with mistakes: 6 faults", run.Output, StringComparison.Ordinal);
    }

    private static Task<ProgramRun> Check(params string[] arguments) => ProgramRun.Of("src/Junctivor.Cli", ["check", .. arguments]);

    private static void AssertComplaint(ProgramRun run, string line)
    {
        Assert.Equal((2, ""), (run.Status, run.Output));
        Assert.StartsWith("junctivor: ", run.Errors, StringComparison.Ordinal);
        Assert.Contains(line, run.Errors, StringComparison.Ordinal);
        Assert.Single(run.Errors.Trim().Split('\n'));
    }
}
