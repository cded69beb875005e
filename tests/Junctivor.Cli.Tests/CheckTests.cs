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
    public async Task A_sound_wiring_exits_with_0()
    {
        ProgramRun run = await Check(Here, "--wiring", "Sound");

        Assert.Equal((0, "Sound: sound  (1 registration)\n", ""), (run.Status, run.Output.ReplaceLineEndings("\n"), run.Errors));
    }

    [Fact]
    public async Task A_wiring_that_the_compiler_could_not_follow_is_named_with_the_reason()
    {
        ProgramRun text = await Check(Here, "--wiring", "dark");
        ProgramRun json = await Check(Here, "--wiring", "dark", "--format", "json");

        Assert.Equal(
            (0, "dark: sound  (1 registration)\n\nNot checked by the compiler (JV901):\n  dark: a \"dark\" reason (Dark.cs:7)\n"),
            (text.Status, text.Output.ReplaceLineEndings("\n")));
        Assert.Contains(
            "\"reason\": \"a \\\"dark\\\" reason\",\n      \"file\": \"/Quay/Dark.cs\",\n      \"line\": 7",
            json.Output.ReplaceLineEndings("\n"),
            StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_build_that_the_compiler_could_not_follow_is_named_by_its_place()
    {
        ProgramRun run = await Check(ProgramRun.OutputOf("examples/Harbour"));

        Assert.Matches(
            "Not checked by the compiler \\(JV901\\):\n  Build at HarbourOffice.cs:[0-9]+: the wiring is known only at run time: wiring",
            run.Output.ReplaceLineEndings("\n"));
    }

    [Fact]
    public async Task Faults_go_to_standard_output_all_at_once_and_exit_with_1()
    {
        ProgramRun run = await Check(Here, "--wiring", "faulty");

        Assert.Equal((1, ""), (run.Status, run.Errors));
        Assert.Contains("faulty: 2 errors", run.Output, StringComparison.Ordinal);
        Assert.Contains("JV101 missing: MarkedWirings.Mooring requires MarkedWirings.Anchor", run.Output, StringComparison.Ordinal);
        Assert.Contains(
            "JV301 captive: MarkedWirings.Bollard (singleton) holds MarkedWirings.Rope (scoped)", run.Output, StringComparison.Ordinal);
        Assert.Contains("MarkedWirings.cs:16", run.Output, StringComparison.Ordinal);
        Assert.DoesNotContain("\u001b", run.Output, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("throwing", "MarkedWirings.Throwing threw InvalidOperationException: The tide is out.")]
    [InlineData("empty-handed", "MarkedWirings.EmptyHanded returned null")]
    [InlineData("misplaced", "is not a public static property or parameterless method")]
    [InlineData("none", "has no wiring 'none'; it has dark, empty-handed, faulty, frozen, marks, misplaced, native, Sound, throwing.")]
    public async Task A_root_that_cannot_be_read_is_one_line_and_exits_with_2(string wiring, string line)
    {
        AssertComplaint(await Check(Here, "--wiring", wiring), line);
    }

    [Fact]
    public async Task A_missing_file_is_one_line_and_exits_with_2() =>
        AssertComplaint(await Check("nowhere.dll"), "nowhere.dll does not exist: build the project");

    [Fact]
    public async Task A_file_that_is_no_assembly_is_one_line_and_exits_with_2() =>
        AssertComplaint(await Check(Path.ChangeExtension(Here, ".runtimeconfig.json")), "is not a .NET assembly");

    [Fact]
    public async Task A_folder_is_one_line_and_exits_with_2() =>
        AssertComplaint(await Check(AppContext.BaseDirectory), "has no project and no solution: name one, or an assembly");

    [Fact]
    public async Task An_assembly_without_a_root_is_one_line_and_exits_with_2() =>
        AssertComplaint(
            await Check(typeof(Assert).Assembly.Location), "has no wiring to check: put [CheckedWiring] on a public static property");

    [Fact]
    public async Task A_word_that_the_command_does_not_know_exits_with_2()
    {
        ProgramRun run = await ProgramRun.Of("src/Junctivor.Cli", "chekc");

        Assert.Equal(2, run.Status);
        Assert.Contains("chekc", run.Errors, StringComparison.Ordinal);
    }

    [Fact]
    public async Task The_demo_shows_every_command()
    {
        ProgramRun run = await ProgramRun.Of("src/Junctivor.Cli", "demo");

        Assert.Equal((0, ""), (run.Status, run.Errors));
        Assert.Contains("office: 7 registrations", run.Output, StringComparison.Ordinal);
        Assert.Contains("└─ Planner: BerthPlanner", run.Output, StringComparison.Ordinal);
        Assert.Contains("flowchart TB\n", run.Output, StringComparison.Ordinal);
        Assert.Contains("office → rehearsal: 4 differences", run.Output, StringComparison.Ordinal);
        Assert.Contains("office: sound", run.Output, StringComparison.Ordinal);
        Assert.Contains("a harbour with faults: 6 errors", run.Output, StringComparison.Ordinal);
    }

    [Fact]
    public async Task What_a_registration_accepts_is_distinguished_with_its_reason()
    {
        ProgramRun run = await Check(Here, "--wiring", "frozen");

        Assert.Equal((0, ""), (run.Status, run.Errors));
        Assert.Contains("frozen: sound", run.Output, StringComparison.Ordinal);
        Assert.Contains("reason: A bollard has one rope.", run.Output, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("JV101=note", "The severity of JV101 missing cannot be lowered")]
    [InlineData("JV999=note", "There is no fault code 'JV999'")]
    [InlineData("JV303:error", "'JV303:error' is not a severity: write CODE=error")]
    public async Task A_severity_that_cannot_be_set_is_one_line_and_exits_with_2(string severity, string line) =>
        AssertComplaint(await Check(Here, "--wiring", "Sound", "--severity", severity), line);

    [Fact]
    public async Task A_code_can_be_given_another_severity()
    {
        string mistakes = ProgramRun.OutputOf("examples/Mistakes");

        ProgramRun asNote = await Check(mistakes, "--wiring", "JV303");
        ProgramRun asFault = await Check(mistakes, "--wiring", "JV303", "--severity", "jv303=error");

        Assert.Equal((0, 1), (asNote.Status, asFault.Status));
        Assert.Contains("JV303: 1 error", asFault.Output, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("json", "\"format\": \"junctivor-check\"")]
    [InlineData("sarif", "\"version\": \"2.1.0\"")]
    [InlineData("text", "JV301 captive: ")]
    public async Task Every_form_can_be_written_to_a_file(string format, string expected)
    {
        string file = Path.GetTempFileName();
        try
        {
            ProgramRun run = await Check(Here, "--wiring", "faulty", "--format", format, "--output", file);

            Assert.Equal((1, "", ""), (run.Status, run.Output, run.Errors));
            Assert.Contains(expected, await File.ReadAllTextAsync(file, TestContext.Current.CancellationToken), StringComparison.Ordinal);
        }
        finally
        {
            File.Delete(file);
        }
    }

    [Fact]
    public async Task A_file_that_cannot_be_written_is_one_line_and_exits_with_2() =>
        AssertComplaint(await Check(Here, "--wiring", "Sound", "--output", Path.Combine("nowhere", "report.txt")), "cannot be written");

    [Theory]
    [InlineData(80)]
    [InlineData(120)]
    public async Task Sentences_are_broken_at_the_width_and_code_is_not(int columns)
    {
        ProgramRun run = await ProgramRun.AsWideAs(columns, "src/Junctivor.Cli", "check", Here, "--wiring", "faulty");

        Assert.All(
            run.Output.Split('\n').Where(line => !line.StartsWith("         ", StringComparison.Ordinal)),
            line => Assert.InRange(line.Length, 0, columns));
        Assert.Contains("         FreshScope<MarkedWirings.Rope> Rope\n", run.Output.ReplaceLineEndings("\n"), StringComparison.Ordinal);
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
